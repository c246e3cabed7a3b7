import * as v from 'valibot';
import { faultText, messageWithoutValues, nameText, oneOfWords, uuidText } from '../kit';
import { instant } from './summary';

/** Owner: everything; painter: jobs, shelf, backups; helper: the run sheet; viewer: looks on. */
export const ROLES = ['owner', 'painter', 'helper', 'viewer'] as const;
export type Role = (typeof ROLES)[number];

/** Permission a route requires. `open`: none; `signed`: any signed-in person. */
export type Permission = 'open' | 'signed' | 'look' | 'run' | 'plan' | 'shelf' | 'shop' | 'people';

/** What each role may. */
const MAY: Readonly<Record<Role, readonly Permission[]>> = {
  owner: ['open', 'signed', 'look', 'run', 'plan', 'shelf', 'shop', 'people'],
  painter: ['open', 'signed', 'look', 'run', 'plan', 'shelf', 'shop'],
  helper: ['open', 'signed', 'look', 'run'],
  viewer: ['open', 'signed', 'look'],
};

/** Whether a role is allowed something. */
export const isAllowed = (role: Role, right: Permission): boolean => MAY[role].includes(right);

const LEAST_PASSPHRASE = 10;
const passphrase = () =>
  v.pipe(
    v.string(faultText(messageWithoutValues('field.passphrase'))),
    v.minLength(LEAST_PASSPHRASE, faultText(messageWithoutValues('field.passphrase'))),
    v.maxLength(200, faultText(messageWithoutValues('field.passphrase'))),
  );
const pin = () =>
  v.pipe(
    v.string(faultText(messageWithoutValues('field.pin'))),
    v.regex(/^\d{4,8}$/, faultText(messageWithoutValues('field.pin'))),
  );
/** What was typed to get in: whatever it is, it is right or wrong. */
const typed = () =>
  v.pipe(
    v.string(faultText(messageWithoutValues('field.passphrase'))),
    v.maxLength(200, faultText(messageWithoutValues('field.passphrase'))),
  );

/** Creates the first owner, authorized by the set-up code printed at the start. */
export const setUpSchema = v.strictObject({
  code: typed(),
  name: nameText(),
  passphrase: passphrase(),
  device: nameText(),
});
/** `phone`: pairs this device as a shared phone of the shop under this name; people switch on it by PIN. */
export const signInSchema = v.strictObject({
  name: typed(),
  passphrase: typed(),
  device: nameText(),
  phone: v.optional(nameText()),
});
export const pinInSchema = v.strictObject({ person: uuidText(), pin: typed() });

/** The passphrase of secrets in backups. */
export const backupKeySchema = v.strictObject({ passphrase: passphrase() });

export const newPersonSchema = v.strictObject({ name: nameText(), role: oneOfWords(ROLES), passphrase: passphrase() });
export const changePersonSchema = v.strictObject({
  role: v.optional(oneOfWords(ROLES)),
  passphrase: v.optional(passphrase()),
});
export const ownPinSchema = v.strictObject({ passphrase: typed(), pin: pin() });
export const ownPassphraseSchema = v.strictObject({ old: typed(), passphrase: passphrase() });

export const personSchema = v.object({ id: v.string(), name: v.string(), role: oneOfWords(ROLES) });
export type ShopPerson = v.InferOutput<typeof personSchema>;

/**
 * Who is signed in. `signIn`: whether signing in is required; `setUp`: whether an owner exists; `phone`: people who
 * may switch to this device by PIN; `pinEnded`: the PIN was cancelled when PINs were limited to the permissions of a
 * painter.
 */
export const currentPersonSchema = v.object({
  signIn: v.boolean(),
  setUp: v.boolean(),
  person: v.nullable(personSchema),
  phone: v.nullable(v.object({ name: v.string(), people: v.array(v.object({ id: v.string(), name: v.string() })) })),
  pinEnded: v.optional(v.boolean(), false),
});
export type CurrentPerson = v.InferOutput<typeof currentPersonSchema>;

export const peopleSchema = v.object({
  people: v.array(v.object({ ...personSchema.entries, hasPin: v.boolean(), pinLocked: v.boolean() })),
});
/** Shared phones of the shop, on which people switch by PIN. */
export const phonesSchema = v.object({
  phones: v.array(v.object({ id: v.string(), name: v.string(), pairedAt: instant() })),
});

/**
 * Secret calendar address of a person: when it was created, null if there is none. The address itself is returned
 * only once, on creation.
 */
export const calendarLinkSchema = v.object({ madeAt: v.nullable(instant()) });
export const newCalendarLinkSchema = v.object({ madeAt: instant(), token: v.string() });

/** Where people are signed in; `own`: this very device. */
export const sessionsSchema = v.object({
  sessions: v.array(
    v.object({
      id: v.string(),
      person: v.string(),
      device: v.string(),
      phone: v.nullable(v.string()),
      begunAt: instant(),
      seenAt: instant(),
      own: v.boolean(),
    }),
  ),
});
export type Session = v.InferOutput<typeof sessionsSchema>['sessions'][number];

/** Active customer links of a job; `token` is returned only on creation and stored nowhere. */
export const linksSchema = v.object({
  links: v.array(v.object({ id: v.string(), madeAt: instant(), madeBy: v.nullable(v.string()) })),
});
export const newLinkSchema = v.object({ id: v.string(), token: v.string() });

/** [x, y], mm. */
const planePlace = v.pipe(v.tuple([v.number(), v.number()]), v.readonly());

/** What a customer sees of a job: how it will look, and how far it is. No prices, no names, no notes. */
export const customerSchema = v.object({
  title: v.string(),
  state: v.picklist(['planning', 'in-shop', 'finished']),
  parts: v.array(
    v.object({
      name: v.string(),
      ring: v.array(planePlace),
      areas: v.array(v.object({ rings: v.array(v.array(planePlace)), colour: v.nullable(v.string()) })),
    }),
  ),
  stages: v.array(
    v.object({ number: v.number(), finish: v.string(), colour: v.string(), coats: v.number(), done: v.boolean() }),
  ),
});
export type CustomerView = v.InferOutput<typeof customerSchema>;
