import { escaped } from '@slate-path/core/formats/html';
import type { Mailbox } from './mailbox';

const style =
  'body{max-width:44rem;margin:0 auto;padding:1rem;font:17px/1.5 system-ui,sans-serif}article{border-top:1px solid #999;padding:1rem 0}pre{white-space:pre-wrap;font:inherit;margin:0}p{margin:0;color:#555}h2{font-size:1.1rem;margin:0}';

/** What was taken, the latest first: as a page, or at `/letters.json`. */
export async function mailboxPage(
  mailbox: Mailbox,
  address: string,
): Promise<{ type: string; body: string }> {
  const letters = (await mailbox.read()).reverse();
  if (address === '/letters.json') return { type: 'application/json', body: JSON.stringify(letters) };
  const shown = letters.map(
    ({ from, to, subject, date, text }) =>
      `<article><h2>${escaped(subject)}</h2><p>${escaped(`${from} to ${to.join(', ')}, ${date}`)}</p><pre>${escaped(text)}</pre></article>`,
  );
  const said = letters.length === 0 ? '<p>Nothing has come yet.</p>' : shown.join('');
  const body = `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>Mailbox</title><style>${style}</style><h1>Mailbox</h1>${said}</html>`;
  return { type: 'text/html; charset=utf-8', body };
}
