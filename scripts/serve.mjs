// The application as a process while one works on it: TypeScript is read as it is, and only ours.
import { tsImport } from 'tsx/esm/api';

await tsImport('./serve.ts', import.meta.url);
