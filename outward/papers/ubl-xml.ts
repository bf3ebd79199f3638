import { create } from 'xmlbuilder2';
import type { Element } from '../../core/quoting/paper/ubl-elements';

const namespacesOf = (document: string): Record<string, string> => ({
  xmlns: `urn:oasis:names:specification:ubl:schema:xsd:${document}-2`,
  'xmlns:cac': 'urn:oasis:names:specification:ubl:schema:xsd:CommonAggregateComponents-2',
  'xmlns:cbc': 'urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2',
});

type Node = ReturnType<typeof create>;

/** Letters that no XML document may hold (XML 1.0, 2.2). */
const UNWRITABLE = /[^\t\n\r\u0020-\ud7ff\ue000-\ufffd\u{10000}-\u{10ffff}]/gu;

function put(parent: Node, { name, attributes = {}, content }: Element): void {
  const node = parent.ele(name, attributes);
  if (typeof content === 'string') node.txt(content.replace(UNWRITABLE, ''));
  else for (const child of content) put(node, child);
}

/** A document of the Universal Business Language as the bytes of its XML file, in UTF-8. */
export function ublXml({ name, content }: Element): Buffer {
  const document = create({ version: '1.0', encoding: 'UTF-8' });
  const root = document.ele(name, namespacesOf(name));
  for (const child of typeof content === 'string' ? [] : content) put(root, child);
  return Buffer.from(document.end({ prettyPrint: true }), 'utf8');
}
