import { readListTask } from '../service/market/read-list';
import type { Task } from './task';

export const readList: Task<'read-list'> = ({ id }, { isLast }) => readListTask(id, isLast);
