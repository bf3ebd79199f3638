import { dayText } from '../../../core/day-text';
import type { Shown } from '../../../core/machine/gap-question';
import type { LimitName } from '../../../core/machine/limits/limit';
import type { ApartQuestion } from '../../../core/machine/models/disambiguate';
import type { Inside, TakenSpecification } from '../../../core/machine/models/taken-specification';
import { insidesOf, likelySource, takenSpecificationSchema } from '../../../core/machine/models/taken-specification';
import { type PanelAsks, panelAsksOf, shownOf } from '../../../core/machine/panel-asks';
import type { JobSlot } from '../../../core/machine/slots/job-slot';
import type { Fact, SlotFacts } from '../../../core/machine/slots/slot-facts';
import { APART_WORDS, machineFacts, slotFacts } from '../../../core/machine/slots/slot-facts';
import type { PhotoCode, WeighedPhoto } from '../../../core/reading/photo/photo-words';
import { isSpecification, type SpecificationReading } from '../../../core/reading/reading';
import { readingLine } from '../../../core/reading/reading-line';
import type { EarlierJob } from '../../../store/job/earlier-jobs';
import type { JobWith } from '../slices/slice';
import { reportsOfOthers } from './several';

/** One input that was read, in one line. */
export interface ReadingRow {
  id: number;
  /** which of the job's equal machines it is of, from 1 */
  machine: number;
  name: string;
  line: string;
  warnings: string[];
  setAside: boolean;
  /** why it was not joined with the others; null where it was */
  apart: string | null;
  specification: SpecificationView | null;
}

/** A photograph of the job, with what was read off it and nobody has looked at yet. */
export interface PictureView {
  id: number;
  station: 'intake' | 'fitting' | 'proof';
  name: string;
  caption: string;
  width: number;
  height: number;
  words: (WeighedPhoto & { codes: PhotoCode[] }) | null;
  inFitting: boolean;
}

/** A specification that was read: what it claims, and what was taken of it. */
export interface SpecificationView {
  about: 'machine' | 'board' | 'cpu';
  /** empty: it does not say its name */
  name: string;
  /** what it says of slots and channels, in words */
  board: string;
  claims: { limit: LimitName; value: unknown; quote: string }[];
  /** how the machine may have been sold, the likeliest first */
  insides: Inside[];
  likely: TakenSpecification['source'];
  taken: TakenSpecification | null;
}

/** A job of before of the same customer or machine. */
export type EarlierRow = Omit<EarlierJob, 'customerId' | 'phone' | 'email'>;

/** What Intake shows of a job, and the board beside every station. */
export interface IntakeView {
  earlier: EarlierRow[];
  /** where the readings may mean several models */
  modelQuestion: ApartQuestion | null;
  slots: JobSlot[];
  slotsVersion: number;
  readings: ReadingRow[];
  /** so many of them are of other machines, which may be of this job too */
  readingsOfOthers: number;
  pictures: PictureView[];
  /** what a system's screen shows of all modules together */
  shown: Shown;
  /** what a system's screen may still tell that no reading said */
  panelAsks: PanelAsks;
  /** what the readings say of the machine itself */
  machineFacts: Fact[];
  /** what is said of every slot, by its name */
  slotFacts: Record<string, SlotFacts>;
  /** what different readings say of one thing and cannot both be true */
  readingWarnings: string[];
}

/** What a specification says of the board, in words. */
function boardWords({ slotCount, channels, soldered }: SpecificationReading): string {
  const slots = slotCount === null ? [] : [slotCount === 1 ? '1 slot' : `${slotCount} slots`];
  const inChannels = channels === null ? [] : [channels === 1 ? '1 channel' : `${channels} channels`];
  return [...slots, ...inChannels, ...(soldered ? ['memory soldered'] : [])].join(', ');
}

function specificationView(reading: SpecificationReading, taken: unknown): SpecificationView {
  const { about, name, claims } = reading;
  const parsed = takenSpecificationSchema.safeParse(taken);
  return {
    about,
    name: name === null ? '' : [name.maker, name.model].filter((word) => word !== null).join(' '),
    board: boardWords(reading),
    claims: claims.map(({ limit, value, quote }) => ({ limit, value, quote })),
    insides: insidesOf(reading),
    likely: likelySource(reading, claims.map(({ quote }) => quote).join(' ')),
    taken: parsed.success ? parsed.data : null,
  };
}

function readingRows({ readings, joined }: JobWith<'readings'>): ReadingRow[] {
  return readings.map(({ id, machine, sourceName, result, setAside, taken }) => {
    const apart = joined.apart.find((one) => one.id === id);
    return {
      id,
      machine,
      name: sourceName,
      line: readingLine(result),
      warnings: result.warnings,
      setAside,
      apart: apart === undefined ? null : APART_WORDS[apart.why],
      specification: isSpecification(result) ? specificationView(result, taken) : null,
    };
  });
}

export function intakeView(state: JobWith<'readings' | 'machine' | 'limits'>): IntakeView {
  const { joined, slots } = state;
  return {
    earlier: state.earlier.map(({ customerId: _, phone: _phone, email: _email, on, ...one }) => ({
      ...one,
      on: dayText(on),
    })),
    modelQuestion: state.modelQuestion,
    slots,
    slotsVersion: state.job.slotsVersion,
    readings: readingRows(state),
    readingsOfOthers: reportsOfOthers(state.readings).length,
    pictures: state.pictures,
    shown: shownOf(joined),
    panelAsks: panelAsksOf(joined, state.limits),
    machineFacts: machineFacts(joined.machineObservations),
    slotFacts: slotFacts(slots, state.derived, joined),
    readingWarnings: state.mismatches,
  };
}
