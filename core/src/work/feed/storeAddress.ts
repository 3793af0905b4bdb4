import { z } from 'zod';

/** The machine itself: nothing said to it passes a network. */
const here = /^(localhost|127(\.\d{1,3}){3}|\[::1\])$/;

function whyNot(written: string): string | null {
  let url: URL;
  try {
    url = new URL(written);
  } catch {
    return 'An address looks like https://platform.school.example/xapi';
  }
  if (url.username || url.password) return 'Give the user name and the password in their own fields';
  if (url.protocol === 'https:') return null;
  if (url.protocol !== 'http:') return 'An address begins with https://';
  return here.test(url.hostname)
    ? null
    : 'With http:// the password would travel in the open: give the address that begins with https://';
}

/** Where a record store is: HTTPS, or a program on the server's own machine. */
export const storeAddress = z
  .string()
  .trim()
  .max(500)
  .check(({ value, issues }) => {
    const message = whyNot(value);
    if (message !== null) issues.push({ code: 'custom', message, input: value });
  });

/** The resource of a store that has its statements, whether that was written or the store's own address. */
export function statementsAt(address: string): URL {
  const url = new URL(address);
  const path = url.pathname.replace(/\/+$/, '');
  url.pathname = path.endsWith('/statements') ? path : `${path}/statements`;
  url.hash = '';
  return url;
}
