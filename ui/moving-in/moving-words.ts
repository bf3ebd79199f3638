import type { MovedKind, MovedRole } from '@/core/moving-in/columns';
import type { StaffWords } from '@/words/staff-words';

export const MOVED_KIND_TEXTS = {
  customers: {
    title: 'kinds.customers.title',
    about: 'kinds.customers.what',
  },
  stock: {
    title: 'kinds.stock.title',
    about: 'kinds.stock.what',
  },
  models: {
    title: 'kinds.models.title',
    about: 'kinds.models.what',
  },
} as const satisfies Record<MovedKind, { title: string; about: string }>;

export const MOVED_ROLE_TEXTS = {
  name: 'roles.name',
  firstName: 'roles.firstName',
  phone: 'roles.phone',
  email: 'roles.email',
  maker: 'roles.maker',
  model: 'roles.model',
  serial: 'roles.serial',
  note: 'roles.note',
  day: 'roles.date',
  label: 'roles.what',
  quantity: 'roles.howMany',
  cost: 'roles.cost',
  place: 'roles.place',
  condition: 'roles.condition',
  year: 'roles.year',
  generation: 'roles.generation',
  form: 'roles.shape',
  slots: 'roles.slots',
  moduleMost: 'roles.mostSlot',
  totalMost: 'roles.mostTotal',
} as const satisfies Record<MovedRole, string>;

export const rowsText = (t: StaffWords<'moving'>, count: number): string => t('rows', { value: count });
