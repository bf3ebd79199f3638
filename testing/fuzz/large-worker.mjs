// A thread does not take over its parent's loader: TypeScript is read as the command reads it.
import { createRequire } from 'node:module';
import { register } from 'tsx/cjs/api';

register();
createRequire(import.meta.url)('./large-work.ts');
