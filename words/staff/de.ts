import board from './de/board.json';
import customer from './de/customer.json';
import door from './de/door.json';
import fitting from './de/fitting.json';
import frame from './de/frame.json';
import intake from './de/intake.json';
import job from './de/job.json';
import jobs from './de/jobs.json';
import limits from './de/limits.json';
import models from './de/models.json';
import money from './de/money.json';
import moving from './de/moving.json';
import offers from './de/offers.json';
import options from './de/options.json';
import orders from './de/orders.json';
import plans from './de/plans.json';
import proof from './de/proof.json';
import quote from './de/quote.json';
import settings from './de/settings.json';
import staff from './de/staff.json';
import trade from './de/trade.json';

/** German words of the staff's screens, a catalogue a screen. */
export const de = {
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
