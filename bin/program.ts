/* The command as a program: see main.ts. */
import { main } from './main';

main(process.argv);
