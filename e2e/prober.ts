// Requests one address repeatedly, in a process of its own, and prints the slowest answer, ms, when it is stopped.
const [url = '', everyMs = '25'] = process.argv.slice(2);

let slowestMs = 0;
let asking = true;
process.once('SIGTERM', () => (asking = false));

while (asking) {
  const began = performance.now();
  await (await fetch(url)).arrayBuffer();
  slowestMs = Math.max(slowestMs, performance.now() - began);
  await new Promise((again) => setTimeout(again, Number(everyMs)));
}
process.stdout.write(String(slowestMs));

export {};
