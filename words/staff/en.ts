import board from './en/board.json';
import customer from './en/customer.json';
import door from './en/door.json';
import fitting from './en/fitting.json';
import frame from './en/frame.json';
import intake from './en/intake.json';
import job from './en/job.json';
import jobs from './en/jobs.json';
import limits from './en/limits.json';
import models from './en/models.json';
import money from './en/money.json';
import moving from './en/moving.json';
import offers from './en/offers.json';
import options from './en/options.json';
import orders from './en/orders.json';
import plans from './en/plans.json';
import proof from './en/proof.json';
import quote from './en/quote.json';
import settings from './en/settings.json';
import staff from './en/staff.json';
import trade from './en/trade.json';

/** English words of the staff's screens, a catalogue a screen. */
export const en = {
  board,
  customer,
  door,
  fitting,
  frame,
  intake,
  job,
  jobs,
  limits,
  models,
  money,
  moving,
  offers,
  options,
  orders,
  plans,
  proof,
  quote,
  settings,
  staff,
  trade,
};
