import type { Answer, KeptRequest } from './asked.ts';

const escape = (text: string): string =>
  text
    .replaceAll('&', '&amp;')
    .replaceAll('<', '&lt;')
    .replaceAll('>', '&gt;')
    .replaceAll('"', '&quot;')
    .replaceAll("'", '&#39;');

const STYLE = `
body { font: 15px/1.45 system-ui, sans-serif; margin: 0; background: #f7f4ec; color: #18211c; }
main { max-width: 1000px; margin: 0 auto; padding: 28px 20px 60px; }
h1 { font-size: 22px; margin: 0 0 4px; }
.soft { color: #56615a; }
table { border-collapse: collapse; width: 100%; margin: 18px 0; background: #fffdf8; }
th, td { text-align: left; padding: 6px 8px; border-bottom: 1px solid #d9d3c2; vertical-align: top; }
.right { text-align: right; }
input, textarea { font: inherit; padding: 4px 6px; border: 1px solid #8b938d; border-radius: 3px; background: #fff; color: inherit; max-width: 100%; box-sizing: border-box; }
input.price { width: 92px; text-align: right; } input.unit { width: 64px; } input.lead { width: 56px; text-align: right; }
textarea { width: 100%; }
:focus-visible { outline: 3px solid #b98a00; outline-offset: 1px; }
button { font: inherit; font-weight: 600; padding: 8px 16px; border-radius: 4px; border: 1px solid #1e4b39; background: #1e4b39; color: #fff; cursor: pointer; }
button.second { background: transparent; color: #1e4b39; }
.wrong { color: #a3203f; font-weight: 600; }
`;

const page = (title: string, nonce: string, main: string): string =>
  `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width">` +
  `<meta name="referrer" content="no-referrer"><title>${escape(title)}</title><style nonce="${escape(nonce)}">${STYLE}</style></head>` +
  `<body><main>${main}</main></body></html>`;

/** The page of one supplier: what is asked, with fields for prices. What was typed before stands in them. */
export function supplierPage(
  request: KeptRequest,
  token: string,
  nonce: string,
  problems: readonly string[],
  typed?: Readonly<Record<string, string>>,
): string {
  const supplier = request.suppliers.find((each) => each.token === token);
  const fields = typed ?? typedBefore(supplier?.answer);
  const field = (name: string, label: string, kind: string, usual = ''): string =>
    `<input class="${kind}" name="${escape(name)}" aria-label="${escape(label)}" value="${escape(fields[name] ?? usual)}">`;
  const rows = request.rows
    .map(
      ({ key, partNumber, description, unit, quantity }) =>
        `<tr><td>${escape(partNumber)}</td><td>${escape(description)}</td><td class="right">${escape(quantity)} ${escape(unit)}</td>` +
        `<td>${field(`price_${key}`, `Price of ${description}`, 'price')}</td>` +
        `<td>${field(`unit_${key}`, `Unit of the price of ${description}`, 'unit', unit)}</td>` +
        `<td>${field(`lead_${key}`, `Days until ${description} comes`, 'lead')}</td>` +
        `<td>${field(`substitute_${key}`, `Instead of ${description}`, '')}</td>` +
        `<td>${field(`note_${key}`, `Note on ${description}`, '')}</td></tr>`,
    )
    .join('');
  const due = request.due === '' ? '' : ` Please answer by ${escape(request.due)}.`;
  return page(
    request.name,
    nonce,
    `<h1>${escape(request.name)}</h1><p class="soft">${asking(request, supplier?.name ?? '')}${due}</p>` +
      (request.note === '' ? '' : `<p>${escape(request.note)}</p>`) +
      (supplier?.answer === undefined
        ? ''
        : `<p class="soft">You have answered. You can change your prices and send them again.</p>`) +
      (problems.length === 0
        ? ''
        : `<div class="wrong" role="alert">${problems.map((each) => `<p>${escape(each)}</p>`).join('')}</div>`) +
      `<form method="post" action="/desk/${escape(token)}"><table><thead><tr><th scope="col">Part</th><th scope="col">Description</th><th scope="col" class="right">Quantity</th>` +
      `<th scope="col">Price for one</th><th scope="col">Unit</th><th scope="col">Days</th><th scope="col">Instead</th><th scope="col">Note</th></tr></thead><tbody>${rows}</tbody></table>` +
      `<p><label>Prices valid until, as 2026-12-31 ${field('valid', 'Prices valid until', '')}</label></p>` +
      `<p><label>Note<br><textarea name="note" rows="3">${escape(fields['note'] ?? '')}</textarea></label></p>` +
      `<p><button type="submit">Send prices</button> <button class="second" type="submit" name="decline" value="yes">We don’t offer</button></p></form>`,
  );
}

function typedBefore(answer: Answer | undefined): Readonly<Record<string, string>> {
  if (answer === undefined) return {};
  const fields: Record<string, string> = { valid: answer.validUntil, note: answer.note };
  for (const { key, price, unit, leadDays, substitute, note } of answer.rows) {
    fields[`price_${key}`] = price;
    fields[`unit_${key}`] = unit;
    fields[`lead_${key}`] = leadDays;
    fields[`substitute_${key}`] = substitute;
    fields[`note_${key}`] = note;
  }
  return fields;
}

/** After an answer: what was sent, and that it can still be changed. */
export function thanksPage(request: KeptRequest, answer: Answer, nonce: string): string {
  const said = answer.declined
    ? `We have told ${request.company || 'whoever asked'} that you don’t offer.`
    : `Your ${answer.rows.length === 1 ? 'price is' : `${answer.rows.length} prices are`} with ${request.company || 'whoever asked'}.`;
  return page(
    request.name,
    nonce,
    `<h1>Thank you</h1><p>${escape(said)}</p><p class="soft">Open this address again to change them.</p>`,
  );
}

/** Who asks whom. A job without a company asks in nobody's name. */
const asking = ({ company, currency }: KeptRequest, supplier: string): string =>
  company === ''
    ? `${escape(supplier)} is asked for prices in ${escape(currency)}.`
    : `${escape(company)} asks ${escape(supplier)} for prices in ${escape(currency)}.`;
