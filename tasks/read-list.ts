import { readListTask } from '../service/read-list';
import type { Task } from './task';

export const readList: Task<'read-list'> = ({ id }, { isLast }) => readListTask(id, isLast);
