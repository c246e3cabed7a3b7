import { maxOf, minOf } from './extremes';

it('of a million numbers, of one and of none', () => {
  const many = Array.from({ length: 1_000_000 }, (_, index) => ((index * 7919) % 1_000_003) - 500_000);
  expect([minOf(many), maxOf(many)]).toEqual([
    many.reduce((a, b) => Math.min(a, b)),
    many.reduce((a, b) => Math.max(a, b)),
  ]);
  expect([minOf([3]), maxOf([3]), minOf([]), maxOf([])]).toEqual([3, 3, Infinity, -Infinity]);
});
