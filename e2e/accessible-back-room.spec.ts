import { lookAtEverything } from './accessible';

lookAtEverything('back-room');
