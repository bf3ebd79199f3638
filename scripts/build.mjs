#!/usr/bin/env node
// npm run build [-- FOLDER]: what runs, made from the sources; given a folder, written there with nothing else beside it.
import { giveUp, need, say } from './setup.mjs';

await need();
const { register } = await import('tsx/esm/api');
register();
const { needBuild } = await import('./start/build.ts');
const { writeOutput } = await import('./start/programs.ts');
try {
  await needBuild();
  const [folder] = process.argv.slice(2);
  if (folder !== undefined) {
    writeOutput(folder);
    say(`written to ${folder}: run "npm ci --omit=dev" and "npm start" in it`);
  }
} catch (error) {
  giveUp(error instanceof Error ? error.message : String(error));
}
