// The wheel's window: rolls while the button is held, and sends what it has rolled.
const METERS_A_SECOND = 1.4;
const RIM_M = 1;
const byId = (id) => document.getElementById(id);
let lengthM = 0;
let rollingSince;

function show() {
  byId('length').textContent = `${lengthM.toFixed(2)} m`;
  byId('rim').style.transform = `rotate(${(lengthM / RIM_M) * 360}deg)`;
}
function roll(now) {
  if (rollingSince === undefined) return;
  lengthM += ((now - rollingSince) / 1000) * METERS_A_SECOND;
  rollingSince = now;
  show();
  requestAnimationFrame(roll);
}
function start() {
  rollingSince = performance.now();
  requestAnimationFrame(roll);
}
function stop() {
  rollingSince = undefined;
}
async function send() {
  const say = (words) => (byId('state').textContent = words);
  if (lengthM === 0) return say('Roll the wheel first.');
  const answer = await fetch('/api/wheel/readings', {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ lengthM: Math.round(lengthM * 100) / 100 }),
  });
  const { heard, problem } = await answer.json();
  say(
    problem ??
      (heard === 0 ? 'Nobody listens. Choose ‘Read the wheel’ on a scope.' : `Sent ${lengthM.toFixed(2)} m.`),
  );
  if (problem === undefined && heard > 0) {
    lengthM = 0;
    show();
  }
}
byId('roll').addEventListener('pointerdown', start);
addEventListener('pointerup', stop);
byId('roll').addEventListener('keydown', (event) => event.key === ' ' && !event.repeat && start());
byId('roll').addEventListener('keyup', stop);
byId('send').addEventListener('click', send);
byId('zero').addEventListener('click', () => {
  lengthM = 0;
  show();
});
