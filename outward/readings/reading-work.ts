import { read, readAs, type SaidKind } from '../../core/reading/read';
import { answerOrders } from '../answer-orders';
import { readLibraryFile } from './library-file';

answerOrders({
  reading: (input: Uint8Array, as: SaidKind | null) => (as === null ? read(input) : readAs(input, as)),
  library: (input: Uint8Array) => readLibraryFile(input),
});
