import { SCENARIOS } from './simulatedDevice.js'

const options = SCENARIOS.map((name) => `<option>${name}</option>`).join('')
const row = (kind: string, label: string, target: number, units: readonly string[]) => `
<form data-kind="${kind}"><h2>${label}</h2>
<label>Reading <input name="target" type="number" step="any" value="${target}"></label>
<label>Unit <select name="unit">${units.map((unit) => `<option>${unit}</option>`).join('')}</select></label>
<label>What happens <select name="scenario">${options}</select></label>
<button name="set">Set</button> <button name="press">Measure now</button> <output></output></form>`

/** The page on which one plays the patient of the demo: what the hand does, and what goes wrong with the device. */
export const PANEL = `<!doctype html><html lang="en"><meta charset="utf-8"><title>Devices of the demo</title>
<style>
body{font:17px/1.5 sans-serif;max-width:46rem;margin:2rem auto;padding:0 1rem;background:#FBF8F2;color:#22303A}
form{display:grid;gap:.6rem;padding:1rem;margin:1rem 0;border:1px solid #DDD5C7;border-radius:6px;background:#fff}
label{display:grid;grid-template-columns:9rem 1fr}button,input,select{font:inherit;min-height:2.4rem}h1,h2{margin:0}
</style>
<h1>Devices of the demo</h1>
<p>No device is here: this page plays one. Connect it at the bench of a case, stand in a cell, then press “Measure now” here or “Read” there.</p>
${row('goniometer', 'Goniometer', 60, ['deg'])}${row('dynamometer', 'Dynamometer', 24, ['kg', 'lb', 'N'])}
<script>
for (const form of document.forms) form.addEventListener('submit', async (event) => {
  event.preventDefault()
  const sent = { kind: form.dataset.kind, scenario: form.scenario.value, target: Number(form.target.value), unit: form.unit.value, isPressed: event.submitter.name === 'press' }
  const answer = await fetch('/play', { method: 'POST', body: JSON.stringify(sent) })
  form.querySelector('output').textContent = answer.ok ? 'done' : await answer.text()
})
</script></html>`
