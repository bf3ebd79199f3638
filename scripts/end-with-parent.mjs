// Preloaded into what `npm start` starts: its standard input is a pipe from there, which closes when the start
// ends, however hard. So nothing is left behind.
process.stdin.on('close', () => process.exit(0));
process.stdin.resume();
