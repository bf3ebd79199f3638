import { lookAtEverything } from './accessible';

lookAtEverything('day');
