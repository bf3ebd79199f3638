import type { Language } from '../../../core/language';
import { type WhatToBuy, whatToBuy } from '../../../core/quoting/what-to-buy';
import type { Caller } from '../../staff/access';
import { machineName } from '../job-names';
import { wholeJob } from '../job-state';

/** What a customer takes away who wants to buy alone: made of the machine's limits, without offers and prices. */
export interface BuyingSheet {
  jobId: number;
  language: Language;
  /** the shop that wrote it, and how it is reached */
  shop: string;
  contact: string;
  /** as people say it; empty: nobody has said */
  machine: string;
  /** null: something of the machine is not known yet */
  told: WhatToBuy | null;
}

/** The specification to buy by of a job's machine; null: there is no such job. */
export async function buyingSheet(_: Caller<'jobs.read'>, jobId: number): Promise<BuyingSheet | null> {
  const state = await wholeJob(jobId);
  if (state === null) return null;
  const { job, shop, language, bareCase } = state;
  return {
    jobId,
    language,
    shop: shop.name,
    contact: shop.contact,
    machine: machineName(job),
    told: bareCase.ok ? whatToBuy(bareCase.planCase) : null,
  };
}
