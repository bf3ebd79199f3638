import { z } from 'zod';
import { idSchema, machineMiBSchema, moduleMiBSchema } from '../../core/bounds';
import { firstIssue } from '../../core/machine/models/library-rows';
import {
  CLAIM_SOURCES,
  type FullModel,
  type ModelClaim,
  type ModelInput,
  modelSchema,
} from '../../core/machine/models/model';
import { withoutPhotos } from '../../core/machine/models/opening';
import { boardOfSpecification, takenSpecificationSchema } from '../../core/machine/models/taken-specification';
import { TEMPLATE_NAMES, TEMPLATES, templateClaims, templateSlots } from '../../core/machine/models/templates';
import { generationSchema } from '../../core/memory/module';
import { readAs } from '../../core/reading/read';
import { isSpecification } from '../../core/reading/reading';
import { transaction } from '../../store/database';
import { noteEvent } from '../../store/events';
import { findSameModel, lockLibrary } from '../../store/library/same-models';
import { insertModel, readModel } from '../../store/library/whole-models';
import type { Queryable } from '../../store/queryable';
import { bindWaiting } from '../market/bind-models';
import { done, fault, type Result } from '../result';
import type { Caller } from '../staff/access';

export const newModelSchema = z.strictObject({
  maker: z.string().trim().min(1, 'Enter the maker.').max(80),
  name: z.string().trim().min(1, 'Enter the model’s name.').max(120),
  yearFrom: z.number('Enter the year it came out, such as 2019.').int().min(1980).max(2100),
  from: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('template'), template: z.enum(TEMPLATE_NAMES), generation: generationSchema }),
    z.strictObject({ kind: z.literal('copy'), modelId: idSchema }),
    z.strictObject({
      kind: z.literal('specification'),
      text: z.string().trim().min(1, 'Paste the specification.').max(20_000, 'At most 20,000 characters, please.'),
    }),
  ]),
  /** what somebody knows of it beyond the template; null: nobody says */
  moduleMiB: moduleMiBSchema.nullable().default(null),
  totalMiB: machineMiBSchema.nullable().default(null),
  /** what was taken of its specification, each with the words that it came from */
  claims: takenSpecificationSchema.shape.claims.default([]),
  /** who says that */
  said: z.strictObject({ kind: z.enum(CLAIM_SOURCES), name: z.string().trim().min(1).max(200) }),
});
type NewModel = z.infer<typeof newModelSchema>;

/** What a sister is said to take is usual for this one, and no word of its own maker on it. */
function sistersClaims({ maker, name, claims }: FullModel): ModelClaim[] {
  const source = { kind: 'standard', name: `as its sister ${maker} ${name}`, note: '', on: null } as const;
  const limits = [...new Set(claims.map(({ limit }) => limit))];
  // Of several words on one limit the first is taken: they stand by weight.
  return limits.flatMap((limit) => {
    const first = claims.find((claim) => claim.limit === limit);
    return first === undefined ? [] : [{ limit, value: first.value, source }];
  });
}

/** Slots, claims and ways of opening that a new model begins with. */
async function startOf(
  db: Queryable,
  { from }: NewModel,
): Promise<Pick<ModelInput, 'slots' | 'claims' | 'opening'> | null> {
  if (from.kind === 'template') {
    if (!(TEMPLATES[from.template].generations as readonly string[]).includes(from.generation)) return null;
    return { slots: templateSlots(from.template), claims: templateClaims(from.template, from.generation) };
  }
  if (from.kind === 'specification') {
    const result = readAs(from.text, 'specification');
    const board = result.ok && isSpecification(result.reading) ? boardOfSpecification(result.reading) : [];
    return { slots: board.map(({ name, channel, bank, soldered }) => ({ name, channel, bank, soldered })), claims: [] };
  }
  const sister = await readModel(db, from.modelId);
  return sister && { slots: sister.slots, claims: sistersClaims(sister), opening: withoutPhotos(sister.opening) };
}

/** Makes a model of a template, or as a copy of a sister: its slots and what is usual, with what is known beyond. */
export async function makeModel(caller: Caller<'library.write'>, typed: NewModel): Promise<Result<{ id: number }>> {
  return transaction((db) => putModel(db, caller, typed));
}

/** The same within a change of something else. */
export async function putModel(db: Queryable, caller: Caller, typed: NewModel): Promise<Result<{ id: number }>> {
  await lockLibrary(db);
  const start = await startOf(db, typed);
  if (start === null)
    return typed.from.kind === 'template'
      ? fault('bad-input', `There is no such board of ${typed.from.generation}.`)
      : fault('not-found', 'The model to copy is no longer in the library.');
  const { maker, name, yearFrom, moduleMiB, totalMiB, claims: taken, said } = typed;
  const known: ModelClaim[] = [
    ...(moduleMiB === null ? [] : [{ limit: 'moduleMiB' as const, value: moduleMiB }]),
    ...(totalMiB === null ? [] : [{ limit: 'totalMiB' as const, value: totalMiB }]),
  ].map((claim) => ({ ...claim, source: { ...said, note: '', on: null } }));
  known.push(...taken.map(({ limit, value, quote }) => ({ limit, value, source: { ...said, note: quote, on: null } })));
  const others = (start.claims ?? []).filter((claim) => !known.some(({ limit }) => limit === claim.limit));
  const parsed = modelSchema.safeParse({ ...start, maker, name, yearFrom, claims: [...known, ...others] });
  if (!parsed.success) return fault('bad-input', firstIssue(parsed.error));
  if ((await findSameModel(db, parsed.data)) !== null)
    return fault('conflict', 'The library has a model of this name and year already.');
  const id = await insertModel(db, parsed.data, caller.id);
  await bindWaiting(db, [id]);
  await noteEvent(db, {
    jobId: null,
    staffId: caller.id,
    kind: 'model-made',
    detail: { modelId: id, from: typed.from },
  });
  return done({ id });
}
