import type { MovedKind, MovedRole } from '@/core/moving-in/columns';

export const MOVED_KIND_TEXTS: Record<MovedKind, { title: string; about: string }> = {
  customers: {
    title: 'Customers and machines',
    about:
      'One row for each customer or machine: name, telephone, mail, maker, model, serial number, note, date. Each machine becomes a closed job, so that it is known when it comes back.',
  },
  stock: {
    title: 'Modules in stock',
    about:
      'One row for each kind of module: what is on its label, how many, what one cost, where it lies, new or used. New ones go into stock, used ones on the used-parts list.',
  },
  models: {
    title: 'Models',
    about:
      'One row for each model: maker, model, year, generation such as DDR4, laptop or desktop, how many slots, and what it takes at most.',
  },
};

export const MOVED_ROLE_TEXTS: Record<MovedRole, string> = {
  name: 'customer’s name',
  firstName: 'first name',
  phone: 'telephone',
  email: 'mail address',
  maker: 'maker',
  model: 'model',
  serial: 'serial number',
  note: 'note',
  day: 'date',
  label: 'what it is',
  quantity: 'how many',
  cost: 'cost of one',
  place: 'place',
  condition: 'new or used',
  year: 'year',
  generation: 'generation',
  form: 'laptop or desktop',
  slots: 'slots',
  moduleMost: 'most in a slot',
  totalMost: 'most in all',
};

export const rowsText = (count: number): string => (count === 1 ? '1 row' : `${count.toLocaleString('en')} rows`);
