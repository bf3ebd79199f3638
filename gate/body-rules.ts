import {
  MOST_ANSWER_BYTES,
  MOST_JSON_BYTES,
  MOST_LIST_BYTES,
  MOST_LOGO_BYTES,
  MOST_OPENING_BYTES,
  MOST_PHOTO_BYTES,
  MOST_PICTURE_BYTES,
  MOST_READING_BYTES,
  MOST_READINGS_BYTES,
  MOST_SIGN_IN_BYTES,
  STREAMED_BYTES,
} from '../runtime/body-limits';

/** Who may send a body at all: anyone who has a session, a customer's link, or anybody. */
export type Opener = 'session' | 'link' | 'anybody';

export interface BodyRule {
  opener: Opener;
  /** media types that are taken; `*` stands for a file of any kind */
  types: readonly string[];
  mostBytes: number;
  /** what of it is held in memory at one time */
  heldBytes: number;
}

const JSON_TYPE = 'application/json';
const FORM = 'application/x-www-form-urlencoded';

const held = (opener: Opener, types: readonly string[], mostBytes: number): BodyRule => ({
  opener,
  types,
  mostBytes,
  heldBytes: mostBytes,
});

/** What a form puts around a file. */
const FRAME_BYTES = 4_096;

/** Routes whose bodies are not staff's JSON: by method and the route as the framework writes it. */
const RULES: Readonly<Record<string, BodyRule>> = {
  'POST /api/sign-in': held('anybody', [JSON_TYPE, FORM], MOST_SIGN_IN_BYTES),
  'POST /api/open': held('anybody', [JSON_TYPE], MOST_OPENING_BYTES),
  'POST /api/sign-out': held('anybody', [FORM, JSON_TYPE], 0),
  'POST /q/[token]/answer': held('link', [JSON_TYPE, FORM], MOST_ANSWER_BYTES),
  'POST /api/jobs/[id]/reading': held('session', ['multipart/form-data'], MOST_READINGS_BYTES),
  'POST /api/jobs/[id]/pictures': held('session', ['*'], MOST_PICTURE_BYTES),
  'POST /api/jobs/[id]/proof': held('session', ['*'], MOST_READING_BYTES),
  'POST /api/jobs/[id]/part': held('session', ['*'], MOST_READING_BYTES),
  'POST /api/offers/understand': held('session', ['*'], MOST_READING_BYTES),
  'POST /api/moving-in': held('session', ['multipart/form-data'], MOST_READING_BYTES + FRAME_BYTES),
  'POST /api/moving-in/look': held('session', ['multipart/form-data'], MOST_READING_BYTES + FRAME_BYTES),
  'POST /api/models/preview': held('session', ['*'], MOST_READING_BYTES),
  'POST /api/models/import': held('session', ['*'], MOST_READING_BYTES),
  'POST /api/models/[id]/photos': held('session', ['multipart/form-data'], MOST_PHOTO_BYTES + FRAME_BYTES),
  'PUT /api/logo': held('session', ['*'], MOST_LOGO_BYTES),
  'POST /api/sellers/[id]/lists': { ...held('session', ['*'], MOST_LIST_BYTES), heldBytes: STREAMED_BYTES },
};

/** What may be sent where nothing else is said. */
const STAFF_JSON = held('session', [JSON_TYPE], MOST_JSON_BYTES);

/** What may be sent to a route. */
export const bodyRule = (method: string, route: string): BodyRule => RULES[`${method} ${route}`] ?? STAFF_JSON;
