import type { EntryResults, LogEvent } from '@lintrel/core';
import fc from 'fast-check';
import { createClock } from '@/api/clock';
import { RequestError } from '@/api/http';
import { correctedTime } from './correctedTime';
import { type Disk, entry, newDisk, newPage, type Page, settled, unreachable } from './testing';

// Two phones with two pages each, and a shop that keeps the rules of the real one, behind a network that does whatever is said. However they
// are driven: what was tapped is with the shop or on its phone, and in the end with the shop exactly once.

const WEATHERS = ['fine', 'off', 'lost', 'html', 'busy'] as const;
type Weather = (typeof WEATHERS)[number];
const START = Date.UTC(2026, 4, 4, 8);
const WRONG_BY_MS = 3 * 3_600_000;

class Phone {
  weather: Weather = 'fine';
  ahead = 0;
  readonly disk: Disk = newDisk();
  readonly pages: Page[] = [];
  readonly tapped: string[] = [];
  constructor(private readonly shop: Shop) {
    this.open();
    this.open();
  }
  private open(): void {
    // Whoever changes something tells the other pages of the phone.
    const page = newPage(this.disk, () =>
      this.pages.forEach((other) => void (other === page || other.outbox.reread())),
    );
    page.answer = (entries) => this.shop.hear(entries, this.weather);
    page.outbox.onTaken = (job) => void this.askFor(page, job);
    this.pages.push(page);
  }
  /** The record of the job tells of what the shop has, when it can be reached. */
  async askFor({ outbox }: Page, job: string): Promise<void> {
    if (this.weather === 'fine') await outbox.seen(job, new Set(this.shop.log));
  }
  tap(place: number): void {
    const event = entry('', new Date(this.shop.now + this.ahead).toISOString());
    this.tapped.push(event.id);
    void this.pages[place]!.outbox.add('job', event);
  }
  async reload(place: number): Promise<void> {
    this.pages.splice(place, 1);
    this.open();
    const page = this.pages.at(-1)!;
    await page.outbox.reread();
    page.outbox.sendNow();
  }
  /** A person mends what was refused for its time. */
  async mend(): Promise<void> {
    const clock = createClock(() => this.shop.now + this.ahead);
    clock.hear(new Date(this.shop.now).toUTCString());
    for (const { outbox } of this.pages)
      for (const pending of outbox.state().pending)
        if (pending.refused)
          await outbox.again(
            pending.event.id,
            correctedTime(pending, clock) ?? { at: new Date(this.shop.now).toISOString() },
          );
  }
  waitOver(): void {
    for (const page of this.pages) page.waits.splice(0).forEach(({ work }) => work());
  }
}

class Shop {
  now = START;
  readonly log: string[] = [];
  async hear(entries: readonly LogEvent[], weather: Weather): Promise<EntryResults> {
    if (weather === 'off') throw unreachable();
    if (weather === 'html') throw new RequestError(200, { code: 'unclear', message: 'log in' });
    if (weather === 'busy') throw new RequestError(503, { code: 'database', message: 'restarting' });
    const answers = entries.map((event): EntryResults['entries'][number] => {
      if (Date.parse(event.at) > this.now + 300_000)
        return { id: event.id, refused: { code: 'invalid', message: 'future' } };
      if (!this.log.includes(event.id)) this.log.push(event.id);
      return { id: event.id, seq: this.log.indexOf(event.id) };
    });
    if (weather === 'lost') throw unreachable();
    return { entries: answers };
  }
}

type Model = object;
interface Real {
  readonly shop: Shop;
  readonly phones: readonly Phone[];
}

/** Nothing that was tapped is nowhere. */
function nothingLost({ shop, phones }: Real): void {
  for (const { tapped, disk } of phones)
    for (const id of tapped) expect(shop.log.includes(id) || disk.kept.has(id)).toBe(true);
  expect(new Set(shop.log).size).toBe(shop.log.length);
}

/** Something that happens, told by what is done to a phone. */
class Act implements fc.AsyncCommand<Model, Real> {
  constructor(
    private readonly name: string,
    private readonly act: (real: Real) => void | Promise<void>,
  ) {}
  check = () => true;
  async run(_: Model, real: Real): Promise<void> {
    await this.act(real);
    await settled();
    nothingLost(real);
  }
  toString = () => this.name;
}

const which = fc.constantFrom(0, 1);
const commands = [
  fc
    .tuple(which, which)
    .map(([phone, page]) => new Act(`tap ${phone}.${page}`, ({ phones }) => phones[phone]!.tap(page))),
  fc
    .tuple(which, fc.constantFrom(...WEATHERS))
    .map(
      ([phone, weather]) => new Act(`${weather} at ${phone}`, ({ phones }) => void (phones[phone]!.weather = weather)),
    ),
  fc
    .tuple(which, which)
    .map(([phone, page]) => new Act(`reload ${phone}.${page}`, ({ phones }) => phones[phone]!.reload(page))),
  which.map((phone) => new Act(`wait ${phone}`, ({ phones }) => phones[phone]!.waitOver())),
  which.map((phone) => new Act(`mend ${phone}`, ({ phones }) => phones[phone]!.mend())),
  fc
    .tuple(which, fc.constantFrom(0, WRONG_BY_MS, -WRONG_BY_MS))
    .map(([phone, ahead]) => new Act(`clock ${phone} ${ahead}`, ({ phones }) => void (phones[phone]!.ahead = ahead))),
  fc.constant(new Act('a minute', ({ shop }) => void (shop.now += 60_000))),
];

it('whatever happens, every tap is with the shop exactly once in the end', async () => {
  await fc.assert(
    fc.asyncProperty(fc.commands(commands, { maxCommands: 40 }), async (all) => {
      const shop = new Shop();
      const real: Real = { shop, phones: [new Phone(shop), new Phone(shop)] };
      await fc.asyncModelRun(() => ({ model: {}, real }), all);
      for (const phone of real.phones) phone.weather = 'fine';
      for (let round = 0; round < 3; round++) {
        for (const phone of real.phones) {
          await phone.mend();
          phone.waitOver();
          for (const { outbox } of phone.pages) {
            await outbox.reread();
            outbox.sendNow();
          }
          await settled();
          for (const page of phone.pages) await phone.askFor(page, 'job');
        }
        await settled();
      }
      expect([...shop.log].sort()).toEqual(real.phones.flatMap(({ tapped }) => tapped).sort());
      for (const { disk, pages } of real.phones) {
        expect(disk.kept.size).toBe(0);
        for (const { outbox } of pages) expect(outbox.state()).toMatchObject({ pending: [], unkept: false });
      }
    }),
    { numRuns: 150 },
  );
}, 60_000);

it('two phones away for a day of 200 entries each, told twice over, arrive exactly once and each in its order', async () => {
  const shop = new Shop();
  const phones = [new Phone(shop), new Phone(shop)];
  for (const phone of phones) phone.weather = 'off';
  for (let count = 0; count < 200; count++) {
    shop.now += 60_000;
    for (const phone of phones) phone.tap(count % 2);
  }
  await settled();
  expect(shop.log).toEqual([]);
  for (const phone of phones) {
    expect(phone.disk.kept.size).toBe(200);
    phone.weather = 'lost';
    phone.waitOver();
  }
  await settled();
  for (const phone of phones) {
    phone.weather = 'fine';
    await phone.reload(0);
    await phone.reload(0);
  }
  await settled();
  for (const phone of phones) for (const page of phone.pages) await phone.askFor(page, 'job');
  expect(shop.log).toHaveLength(400);
  for (const { tapped, disk } of phones) {
    expect(shop.log.filter((id) => tapped.includes(id))).toEqual(tapped);
    expect(disk.kept.size).toBe(0);
  }
}, 60_000);
