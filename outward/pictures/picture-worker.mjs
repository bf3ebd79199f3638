// Decodes pictures and reads codes on a thread of its own. It is started from the checkout, where TypeScript is read as it is.
import { createRequire } from 'node:module';
import { register } from 'tsx/cjs/api';

register();
createRequire(import.meta.url)('./picture-work.ts');
