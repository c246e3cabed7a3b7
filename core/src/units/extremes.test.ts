import { largest, smallest } from '.';

it('of a million numbers, of one and of none', () => {
  const many = Array.from({ length: 1_000_000 }, (_, index) => ((index * 7919) % 1_000_003) - 500_000);
  expect([smallest(many), largest(many)]).toEqual([many.reduce((a, b) => Math.min(a, b)), many.reduce((a, b) => Math.max(a, b))]);
  expect([smallest([3]), largest([3]), smallest([]), largest([])]).toEqual([3, 3, Infinity, -Infinity]);
});
