'use client';
import {
  createContext,
  type ReactNode,
  type RefObject,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
} from 'react';
import type { JobSlot } from '@/core/machine/slots/job-slot';
import type { Installed, PlanCase } from '@/core/planning/model/case';
import type { Plan } from '@/core/planning/search/plan';
import type { MarketView as Market } from '@/service/job/options/view';
import type { PageJob } from '@/service/job/view';
import { readMarket } from './read-market';

type Keep = JobSlot['keep'];

/** The job with its market; that comes a moment after the page, and until then nothing is planned. */
export type JobOnScreen = PageJob & Market;

interface JobContext {
  job: JobOnScreen;
  market: {
    /** where the job's case was read just as it is; null: it has not come yet, or other modules are to stay by now */
    path: string | null;
    /** it is the one that the page names, not the one of before */
    isCurrent: boolean;
    /** it could not be read: there is none, or it is the one of before */
    failed: boolean;
    again: () => void;
  };
  /** shows what becomes of a module before the job says so; null: what the job says holds again */
  foretell: (slot: string, keep: Keep | null, isSaved?: boolean) => void;
  /** the plan that is looked at, shown on the slot board beside today */
  looked: Plan | null;
  look: (plan: Plan | null) => void;
  /** what becomes of an offer that is dropped on a slot of the board; null: nothing is put together here */
  offerOnSlot: RefObject<((slot: string, offer: string) => void) | null>;
}

const Context = createContext<JobContext | null>(null);
/** What becomes of modules, by slot. */
type Foretold = ReadonlyMap<string, { keep: Keep; isSaved: boolean }>;
const NOTHING: Foretold = new Map();

/** The slots of a job in which other modules stay or go. */
function withKeep(slots: JobSlot[], foretold: Foretold): JobSlot[] {
  if (foretold.size === 0) return slots;
  return slots.map((slot) => ({ ...slot, keep: foretold.get(slot.name)?.keep ?? slot.keep }));
}

/** A case in which what stays and goes is as the slots say; the same case where it is so already. */
function caseWith(planCase: PlanCase | null, slots: readonly JobSlot[]): PlanCase | null {
  if (planCase === null) return null;
  const keeps = new Map(slots.map(({ name, keep }) => [name, keep]));
  const keepOf = ({ slot, keep }: Installed) => keeps.get(slot) ?? keep;
  if (planCase.installed.every((one) => keepOf(one) === one.keep)) return planCase;
  return { ...planCase, installed: planCase.installed.map((one) => ({ ...one, keep: keepOf(one) })) };
}

const NO_MARKET: Market & { path: string | null } = { path: null, planCase: null, supplies: {}, sellersRated: {} };

/** Reads the market that the page names; the one of before stands until it is there. */
function useMarket(path: string | null) {
  const [read, setRead] = useState(NO_MARKET);
  const [failed, setFailed] = useState(false);
  const [tries, setTries] = useState(0);
  const again = useCallback(() => setTries((before) => before + 1), []);
  // biome-ignore lint/correctness/useExhaustiveDependencies: each try reads it again
  useEffect(() => {
    if (path === null) return;
    let isWanted = true;
    readMarket(path).then(
      (text) => {
        if (!isWanted) return;
        setRead({ path, ...(JSON.parse(text) as Market) });
        setFailed(false);
      },
      () => isWanted && setFailed(true),
    );
    return () => {
      isWanted = false;
    };
  }, [path, tries]);
  useEffect(() => {
    window.addEventListener('online', again);
    return () => window.removeEventListener('online', again);
  }, [again]);
  return { read, failed, again };
}

interface JobProviderProps {
  job: PageJob;
  /** where its market is read; null: this station does without */
  market: string | null;
  children: ReactNode;
}

/** The job on screen and the plan that is looked at, shared by station, slot board and slip. */
export function JobProvider({ job: saved, market: wanted, children }: JobProviderProps) {
  const { read, failed, again } = useMarket(wanted);
  const [looked, look] = useState<Plan | null>(null);
  const [foretold, setForetold] = useState<Foretold>(NOTHING);
  const slots = useMemo(() => withKeep(saved.slots, foretold), [saved, foretold]);
  // Where the case does not change nothing is planned again.
  const known = saved.hasCase ? read : NO_MARKET;
  const planCase = useMemo(() => caseWith(known.planCase, slots), [known, slots]);
  const job = useMemo(() => {
    const { supplies, sellersRated } = known;
    return { ...saved, slots, planCase, supplies, sellersRated };
  }, [saved, slots, planCase, known]);
  const path = planCase === known.planCase ? known.path : null;
  const isCurrent = read.path === wanted;
  const market = useMemo(() => ({ path, isCurrent, failed, again }), [path, isCurrent, failed, again]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a job that comes again says on its own what was saved
  useEffect(() => {
    setForetold((before) => {
      const left = [...before].filter(([, { isSaved }]) => !isSaved);
      return left.length === before.size ? before : new Map(left);
    });
  }, [saved]);
  const foretell = useCallback((slot: string, keep: Keep | null, isSaved = false) => {
    setForetold((before) => {
      const next = new Map(before);
      if (keep === null) next.delete(slot);
      else next.set(slot, { keep, isSaved });
      return next;
    });
  }, []);
  const offerOnSlot = useRef<((slot: string, offer: string) => void) | null>(null);
  const value = useMemo(() => ({ job, market, foretell, looked, look, offerOnSlot }), [job, market, foretell, looked]);
  return <Context value={value}>{children}</Context>;
}

export function useJob(): JobContext {
  const value = useContext(Context);
  if (value === null) throw new Error('no job on this screen');
  return value;
}
