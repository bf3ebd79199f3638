'use client';
import { useTranslations } from '#translations';
import { COLUMN_ROLES, type ColumnRole } from '@/core/price-list/column-roles';
import type { ListColumns } from '@/core/price-list/read-row';
import { worded } from '@/ui/words/worded';
import { useSave } from '../../client/use-save';
import { Choice } from '../../kit/choice';
import { Fault } from '../../kit/fault';
import { INPUT_LOOK } from '../../kit/field';
import { SampleRows } from '../../kit/sample-rows';
import { ROLE_TEXTS } from './list-words';

interface ListColumnsProps {
  listId: number;
  read: ListColumns;
  doubtful: readonly ColumnRole[];
  why: Partial<Record<ColumnRole, string>>;
  sample: readonly string[][];
  /** may they be put right now? */
  open: boolean;
}

const CAPACITY_TEXTS = [
  { value: '', text: 'lists.capacity.unknown' },
  { value: 'module', text: 'lists.capacity.one' },
  { value: 'kit', text: 'lists.capacity.all' },
] as const;

/** The first rows of a list with what each column is taken for, to put right. */
export function ColumnsOfList({ listId, read, doubtful, why, sample, open }: ListColumnsProps) {
  const t = useTranslations('offers');
  const { busy, sentence, save } = useSave();
  const { headings, columns, capacityIs = null } = read;
  const width = Math.max(0, ...sample.map((row) => row.length));
  const roleOf = (column: number) => COLUMN_ROLES.find((role) => columns[role] === column);
  const send = (next: Partial<ListColumns>) =>
    save('PUT', `/api/lists/${listId}`, { headings, columns, capacityIs, ...next });
  const put = (column: number, role: string) => {
    const others = Object.entries(columns).filter(([name, at]) => at !== column && name !== role);
    const next = Object.fromEntries([...others, ...(role === '' ? [] : [[role, column]])]);
    return send({ columns: next });
  };
  return (
    <div className="grid gap-2">
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls sideways must be reachable by keyboard */}
      <section aria-label={t('lists.columns')} className="overflow-x-auto bg-sheet border border-line" tabIndex={0}>
        <table className="w-full text-sm border-collapse">
          <thead>
            <tr className="border-b-2 border-edge">
              {Array.from({ length: width }, (_, column) => {
                const role = roleOf(column);
                return (
                  <Heading
                    // biome-ignore lint/suspicious/noArrayIndexKey: a column is its place
                    key={column}
                    column={column}
                    role={role}
                    why={role === undefined ? undefined : why[role]}
                    isDoubtful={role !== undefined && doubtful.includes(role)}
                    isFixed={busy || !open}
                    onRole={(next) => void put(column, next)}
                  />
                );
              })}
            </tr>
          </thead>
          <SampleRows rows={sample} columns={width} isHeaded={headings !== null} />
        </table>
      </section>
      {columns.capacity !== undefined && columns.modules !== undefined && (
        <Choice
          label={t('lists.packIs')}
          className="w-60"
          value={capacityIs ?? ''}
          disabled={busy || !open}
          onChange={(event) => void send({ capacityIs: (event.target.value || null) as ListColumns['capacityIs'] })}
          options={worded(t, CAPACITY_TEXTS)}
        />
      )}
      <Fault sentence={sentence} />
    </div>
  );
}

interface HeadingProps {
  column: number;
  role: ColumnRole | undefined;
  why: string | undefined;
  isDoubtful: boolean;
  isFixed: boolean;
  onRole: (role: string) => void;
}

/** What one column is taken for. */
function Heading({ column, role, why, isDoubtful, isFixed, onRole }: HeadingProps) {
  const t = useTranslations('offers');
  return (
    <td className="px-1.5 py-1 border-l border-line first:border-0">
      <select
        aria-label={t('lists.columnIs', { value: column + 1 })}
        className={`${INPUT_LOOK} px-1.5! min-w-32 ${role === undefined ? 'text-ink-2' : 'font-semibold'}`}
        value={role ?? ''}
        disabled={isFixed}
        onChange={(event) => onRole(event.target.value)}
      >
        <option value="">{t('lists.notUsed')}</option>
        {COLUMN_ROLES.map((one) => (
          <option key={one} value={one}>
            {t(ROLE_TEXTS[one])}
          </option>
        ))}
      </select>
      {why !== undefined && <span className="block text-ink-2 text-xs">{why}</span>}
      {isDoubtful && <span className="block text-mind">{t('lists.another')}</span>}
    </td>
  );
}
