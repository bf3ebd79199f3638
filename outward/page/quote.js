// What the customer's page does beyond what a browser does by itself: it sends without leaving, so that nothing typed is lost
// where the network is; it shows what became of it; and it compares a code.
const main = document.querySelector('main');

/** Letters of a code that are enough to tell versions apart. */
const ENOUGH = 8;

function say(form, sentence) {
  form.querySelector('.fault').textContent = sentence;
}

/** What a form says, as the server wants it: of statements only those of the chosen option. */
function bodyOf(form) {
  const data = new FormData(form);
  const kind = String(data.get('kind'));
  if (kind !== 'accept') return { kind, words: String(data.get('words')) };
  const place = Number(data.get('place'));
  const boxes = [...form.querySelectorAll(`[data-of="${place}"] [name="ticked"]:checked`)];
  return { kind, place, signed: String(data.get('signed')), ticked: boxes.map((box) => box.value) };
}

/** Shows the page's parts as they are now, but for those in which somebody may be typing. */
async function showAnew(parts) {
  const response = await fetch(location.href, { headers: { accept: 'text/html' } });
  const fresh = new DOMParser().parseFromString(await response.text(), 'text/html');
  for (const part of parts) {
    const at = `[data-part="${part}"]`;
    document.querySelector(at)?.replaceWith(fresh.querySelector(at) ?? '');
  }
}

document.addEventListener('submit', async (event) => {
  const form = event.target;
  event.preventDefault();
  const { kind, busy, thanks } = form.dataset;
  const body = bodyOf(form);
  if (kind === 'accept' && body.place === 0) {
    say(form, main.dataset.choose);
    return;
  }
  const button = form.querySelector('button');
  const words = button.textContent;
  button.disabled = true;
  button.textContent = busy;
  try {
    const response = await fetch(form.action, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    const told = await response.json();
    say(form, response.ok ? '' : told.sentence);
    if (response.ok && thanks) {
      form.reset();
      form.querySelector('.thanks').textContent = `✓ ${thanks}`;
    }
    // Whoever asks may be in the middle of a yes, and the other way round.
    if (response.ok) await showAnew(kind === 'ask' ? ['asked'] : ['standing', 'yes', 'no']);
    else if (response.status === 409) await showAnew(['standing', 'no', ...(kind === 'accept' ? ['yes'] : [])]);
  } catch {
    say(form, main.dataset.away);
  }
  button.disabled = false;
  button.textContent = words;
});

document.addEventListener('input', ({ target }) => {
  const form = target.closest('form');
  const thanks = form?.querySelector('.thanks');
  if (thanks) thanks.textContent = '';
  const { code } = target.dataset;
  if (code === undefined) return;
  const letters = target.value.toLowerCase().replace(/[\s-]+/g, '');
  const compared = document.querySelector('.compared');
  const { same, other } = compared.dataset;
  compared.textContent = letters.length < ENOUGH ? '' : code.startsWith(letters) ? same : other;
  compared.classList.toggle('same', code.startsWith(letters));
});
