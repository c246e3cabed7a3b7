import type { Step } from '../runsheet';
import { stepFor } from '../testing/steps';
import { boothState } from './booth';

const MINUTE = 60_000;
const step = stepFor;
const sprayed = (id: string, safety: readonly string[] = []) =>
  step(id, 'coat', { needs: ['person', 'booth', 'gun'], safety });

it('is for who sprays while a coat is next, and for nobody else some time after the last', () => {
  const steps = [step('mix', 'mix', { safety: ['isocyanate'] }), sprayed('one'), sprayed('two'), step('pull', 'pull')];
  const at = (done: Record<string, number>, next: Step | null, now: number) =>
    boothState(steps, new Map(Object.entries(done).map(([id, min]) => [id, min * MINUTE])), next, now * MINUTE);
  expect(at({}, steps[0]!, 5)).toBeNull();
  expect(at({ mix: 1 }, steps[1]!, 5)).toEqual({ twoPart: true, untilMs: null });
  expect(at({ one: 10, two: 40 }, steps[3]!, 50)).toEqual({ twoPart: true, untilMs: 70 * MINUTE });
  expect(at({ one: 10, two: 40 }, steps[3]!, 71)).toBeNull();
});
it('is no matter of what is brushed, rolled or sprayed out of a can; without hardener it is said so', () => {
  const can = step('can', 'coat');
  expect(boothState([can], new Map([['can', 0]]), can, MINUTE)).toBeNull();
  expect(boothState([sprayed('one')], new Map([['one', 0]]), null, MINUTE)).toEqual({
    twoPart: false,
    untilMs: 30 * MINUTE,
  });
});
