import type { ScheduleProblem } from '../schedule/problem';

/**
 * The same problem as a mixed-integer program in the LP text format: start times, assignments to shifts, and order
 * of tasks. For tasks that do not pause, limits that may not be exceeded, and one worker at most.
 */
export function modelOf({ tasks, workers, places, nowMin }: ScheduleProblem): string {
  const big = Math.max(...workers.flatMap(({ hours }) => hours.map(({ to }) => to))) - nowMin;
  const indexOfTask = new Map(tasks.map(({ id }, index) => [id, index]));
  const rows: string[] = [];
  const binaries: string[] = [];
  const row = (text: string) => rows.push(` c${rows.length}: ${text}`);
  tasks.forEach(({ minutes, hands, earliestMin, after, places: held }, i) => {
    row(`last - s${i} >= ${minutes}`);
    row(`s${i} >= ${Math.max(nowMin, earliestMin) - nowMin}`);
    for (const { task, from, minMin, maxMin } of after) {
      const j = indexOfTask.get(task)!;
      const length = from === 'end' ? tasks[j]!.minutes : 0;
      row(`s${i} - s${j} >= ${minMin + length}`);
      if (maxMin !== null) row(`s${i} - s${j} <= ${maxMin + length}`);
    }
    if (hands > 0) {
      const shifts = workers.flatMap(({ hours }, w) =>
        hours.map((shift, k) => ({ name: `z${i}_${w}_${k}`, shift, w })),
      );
      row(`${shifts.map(({ name }) => name).join(' + ')} = 1`);
      for (const { name, shift } of shifts) {
        binaries.push(name);
        row(`s${i} - ${big} ${name} >= ${shift.from - nowMin - big}`);
        row(`s${i} + ${big} ${name} <= ${shift.to - minutes - nowMin + big}`);
      }
      workers.forEach(({ hours }, w) => row(`x${i}_${w} - ${hours.map((_, k) => `z${i}_${w}_${k}`).join(' - ')} = 0`));
      workers.forEach((_, w) => binaries.push(`x${i}_${w}`));
    }
    for (let j = 0; j < i; j++) {
      const other = tasks[j]!;
      const sharing = other.places.some((place) => held.includes(place) && places.some(({ id }) => id === place));
      if (!sharing && (hands === 0 || other.hands === 0)) continue;
      binaries.push(`y${j}_${i}`);
      const apart = (relief: string, free: number) => {
        row(`s${i} - s${j} - ${big} y${j}_${i}${relief} >= ${other.minutes - big - free}`);
        row(`s${j} - s${i} + ${big} y${j}_${i}${relief} >= ${minutes - free}`);
      };
      if (sharing) apart('', 0);
      else workers.forEach((_, w) => apart(` - ${big} x${i}_${w} - ${big} x${j}_${w}`, 2 * big));
    }
  });
  return `Minimize\n obj: last\nSubject To\n${rows.join('\n')}\nBinary\n ${binaries.join('\n ')}\nEnd\n`;
}
