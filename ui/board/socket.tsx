'use client';
import { useTranslations } from '#translations';
import type { SlotChange } from '@/core/quoting/slot-changes';
import { ModuleBar } from './module-bar';
import { afterDrawn, fittingDetail, KEEP_FLAGS, nowDrawn, unchanged } from './socket-words';

/** Room for the latches at both ends, px. */
const LATCH = 5;
const NAME = 18;
/** A SO-DIMM is half as long as a DIMM and as high (JEDEC MO outlines), so it is drawn shorter and higher. */
const SHAPES = { DIMM: { share: 1, height: 42 }, 'SO-DIMM': { share: 0.8, height: 48 } } as const;
const LOW = 26;

export interface SocketLook {
  form: 'DIMM' | 'SO-DIMM';
  keys: readonly number[];
  /** px */
  width: number;
  planned: boolean;
  /** true: sockets are so many that each is drawn low */
  dense: boolean;
}

/** Height of one socket as it is drawn, px. */
export function socketHeight({ form, planned, dense }: SocketLook): number {
  const bar = dense ? LOW : SHAPES[form].height;
  return NAME + bar + (planned ? LOW : 0) + 4;
}

interface SocketProps {
  change: SlotChange;
  look: SocketLook;
  detail: string;
  disputed: boolean;
  /** its number in the fill order, where that is shown */
  fill: number | undefined;
}

/** Latches hold a DIMM at its ends; a SO-DIMM lies between two spring arms. */
function Latches({
  form,
  x,
  y,
  width,
  height,
}: {
  form: SocketLook['form'];
  x: number;
  y: number;
  width: number;
  height: number;
}) {
  const d =
    form === 'DIMM'
      ? `M${x - 3} ${y + 4}v${height - 8}M${x + width + 3} ${y + 4}v${height - 8}`
      : `M${x - 3} ${y + height - 14}v12h9M${x + width + 3} ${y + height - 14}v12h-9`;
  return <path d={d} className="stroke-edge" strokeWidth="2" fill="none" />;
}

/** One socket: its name, what it holds today and, where a plan changes it, what it holds then. */
export function Socket({ change, look, detail, disputed, fill }: SocketProps) {
  const t = useTranslations('board');
  const { form, keys, width, planned, dense } = look;
  const room = width - 2 * LATCH;
  const bar = { x: LATCH, width: Math.max(40, room * SHAPES[form].share) };
  const height = dense ? LOW : SHAPES[form].height;
  const changed = planned && !unchanged(change);
  const now = nowDrawn(t, change);
  // On one line the detail has what the capacity leaves.
  const shown = fittingDetail(detail, dense ? bar.width - now.text.length * 8 - 4 : bar.width);
  const keep = change.now !== null && !change.soldered && change.keep !== 'may' ? t(KEEP_FLAGS[change.keep]) : '';
  const flag = keep === '' || changed ? {} : { flag: keep };
  const lid = change.lidName === null ? '' : t('lid', { lidName: change.lidName });
  const name = `${change.slot}${lid}`;
  const most = Math.floor((room - (fill === undefined ? 0 : 18)) / 6.4);
  return (
    <svg width={width} height={socketHeight(look)} className="block" aria-hidden="true">
      <text x={LATCH} y="12" className="fill-ink text-[13px] font-medium narrow">
        {name.length > most ? `${name.slice(0, Math.max(2, most - 1))}…` : name}
        {disputed && <tspan className="fill-mind font-bold"> ≠</tspan>}
      </text>
      {fill !== undefined && (
        <g>
          <circle cx={width - 13} cy="8" r="7.5" className="fill-none stroke-ink" strokeWidth="1.2" />
          <text x={width - 13} y="12.2" textAnchor="middle" className="fill-ink text-[12px] font-bold">
            {fill}
          </text>
        </g>
      )}
      {changed ? (
        <>
          <ModuleBar {...bar} y={NAME} height={LOW - 3} keys={keys} {...now} />
          <ModuleBar {...bar} y={NAME + LOW} height={height} keys={keys} {...afterDrawn(t, change)} />
          <Latches form={form} x={bar.x} y={NAME + LOW} width={bar.width} height={height} />
        </>
      ) : (
        <>
          <ModuleBar
            {...bar}
            y={NAME + (planned ? LOW : 0)}
            height={height}
            keys={keys}
            {...now}
            {...(change.now !== null && shown !== '' ? { detail: shown } : {})}
            {...flag}
          />
          {!change.soldered && (
            <Latches form={form} x={bar.x} y={NAME + (planned ? LOW : 0)} width={bar.width} height={height} />
          )}
        </>
      )}
    </svg>
  );
}
