import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseSync } from '@swc/core';

/** Attributes that nobody reads: they say how something looks, works or is found. */
const UNREAD =
  /^(?:className|type|href|name|id|htmlFor|role|autoComplete|inputMode|data-.*|method|src|key|weight|tone|as|look|rel|target|form|accept|d|fill|stroke.*|viewBox|x|y|points|transform|text(?:Anchor|Decoration)|dominantBaseline|patternUnits|encType|scope|lang|dir|box|width|crossOrigin|onKeyDown|kind|care|reuse|lane|station|shape|step|min|max|aria-(?:live|controls|labelledby|describedby|current|haspopup|expanded|hidden|autocomplete|invalid|sort|pressed|orientation))$/;

/** What is the same in every language: names of ours and of the field, units, keys, formats. */
const SAME =
  /^(?:Fenbrik|CSV|UBL(?: 2\.3)?|PDF|CPU|ECC|CL|DIMM|SO-DIMM|CAMM2|DDR\d*L?|MT\/s|MB\/s|GB|MiB|mm|min|Gbit|ns|Enter|Escape|Home|End|Tab|Shift|Delete|Backspace|Arrow\w+|A4|Letter|E-mail|MiB.*)$/;

const isClass = (text: string): boolean =>
  text.split(/\s+/).every((word) => /^[!-]?[a-z0-9@[][\w:/.[\]()%,&>=#*^-]*$/.test(word)) &&
  /[-:[]|^(?:flex|grid|block|hidden|underline|truncate|absolute|relative|contents|narrow|wide)$/m.test(
    text.replaceAll(' ', '\n'),
  );

/** Is this text for people, as far as its letters tell? Single lower-case words are names of the code's. */
function isRead(text: string): boolean {
  const plain = text.trim();
  if (!/[A-Za-z]{2}/.test(plain) || /^M[\d.-]+ [\d.]/.test(plain) || SAME.test(plain) || isClass(plain)) return false;
  if (/^(?:use \w+|[\w-]+|[\w-]+(?:[./:@#?=&[\]-][\w-]*)+|https?:.*|\/.*|#.*|[@.]\S*|\(?prefers-.*|\W+)$/.test(plain))
    return /^[A-Z][a-z]+$/.test(plain);
  return /[a-z]{2}/i.test(plain) && /\s/.test(plain);
}

interface Found {
  line: number;
  text: string;
}

type Node = Record<string, unknown> & { type?: string };

/** Words for people that stand in a component's source and in no catalogue. */
export function looseWords(root: string, file: string): Found[] {
  const source = readFileSync(join(root, file), 'utf8');
  const bytes = Buffer.from(source);
  const program = parseSync(source, {
    syntax: 'typescript',
    tsx: file.endsWith('x'),
    target: 'es2022',
  }) as unknown as Node;
  const lead = /^(?:\s|\/\*[\s\S]*?\*\/|\/\/[^\n]*\n)*/.exec(source)?.[0] ?? '';
  const base = (program.span as { start: number }).start - Buffer.byteLength(lead);
  const found: Found[] = [];
  const note = (node: Node, text: string): void => {
    const at = (node.span as { start: number }).start - base;
    if (isRead(text))
      found.push({ line: bytes.subarray(0, at).toString().split('\n').length, text: text.replace(/\s+/g, ' ').trim() });
  };
  const walk = (node: unknown): void => {
    if (Array.isArray(node)) {
      for (const one of node) walk(one);
      return;
    }
    if (node === null || typeof node !== 'object') return;
    const one = node as Node;
    const { type = '' } = one;
    if (
      type === 'ImportDeclaration' ||
      type === 'ExportAllDeclaration' ||
      /^Ts(?!As|Satisfies|NonNull|Const)/.test(type)
    )
      return;
    if (type === 'JSXAttribute') {
      const { name } = one as unknown as {
        name: { value?: string; name?: { value: string }; namespace?: { value: string } };
      };
      const said = name.value ?? `${name.namespace?.value}:${name.name?.value}`;
      if (!UNREAD.test(said)) walk(one.value);
      return;
    }
    // What a message is asked for by, and what is thrown at us, is no text for people.
    if (type === 'CallExpression') {
      const callee = one.callee as {
        type: string;
        value?: string;
        property?: { value?: string };
        object?: { value?: string };
      };
      const name = callee.value ?? callee.object?.value ?? '';
      if (/^t(?:[A-Z]\w*)?$/.test(name)) {
        for (const { expression } of (one.arguments as { expression: unknown }[]).slice(1)) walk(expression);
        return;
      }
    }
    if (type === 'NewExpression' && /Error$/.test(String((one.callee as { value?: string }).value))) return;
    if (type === 'JSXText') note(one, String(one.value));
    if (type === 'StringLiteral') note(one, String(one.value));
    if (type === 'TemplateLiteral')
      note(one, (one.quasis as { cooked?: string; raw: string }[]).map(({ cooked, raw }) => cooked ?? raw).join(' '));
    for (const [key, value] of Object.entries(one)) if (key !== 'span') walk(value);
  };
  walk(program.body);
  return found;
}
