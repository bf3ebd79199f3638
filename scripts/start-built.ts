/* `npm start` in a folder that the build wrote: nothing is made, and no demo shop is there. */
import { giveUp } from './setup.mjs';
import { start } from './start/start';

await start().catch((error) => giveUp(error instanceof Error ? error.message : String(error)));
