import fs from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';
import type { AxeResults } from 'axe-core';
import type { Page } from 'puppeteer-core';

const axe = fs.readFileSync(
  createRequire(path.resolve('e2e/package.json')).resolve('axe-core/axe.min.js'),
  'utf8',
);
const rules = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa'];
const controls =
  '[role=button],[role=link],[role=radio],[role=checkbox],[role=switch],[role=tab],[role=slider],button,a[href],input:not([type=file]),textarea,select';
/** A finger's width, in CSS pixels. */
const target = 44;

/** Faults that the rules of WCAG 2.1 A and AA know, each with the element. */
async function againstRules(page: Page): Promise<string[]> {
  await page.evaluate(axe);
  const { violations } = (await page.evaluate(
    (tags) =>
      (window as unknown as { axe: { run: (options: unknown) => Promise<unknown> } }).axe.run({
        runOnly: { type: 'tag', values: tags },
        // A row is named by what it says and what a tap does, in a sentence: see `namedOtherwise`.
        rules: { 'label-content-name-mismatch': { enabled: false } },
        resultTypes: ['violations'],
      }),
    rules,
  )) as AxeResults;
  return violations.flatMap(({ id, nodes }) =>
    nodes.map(({ html, any }) => `${id}: ${any[0]?.message ?? ''} ${html.slice(0, 160)}`),
  );
}

/** Controls that a finger cannot hit surely. */
function tooSmall(page: Page): Promise<string[]> {
  return page.evaluate(
    (selector, least) =>
      [...document.querySelectorAll<HTMLElement>(selector)]
        .map((element) => ({ element, box: element.getBoundingClientRect() }))
        .filter(
          ({ element, box }) =>
            box.width > 0 &&
            element.closest('[aria-hidden=true]') === null &&
            (box.width < least - 0.5 || box.height < least - 0.5),
        )
        .map(
          ({ element, box }) =>
            `small: ${Math.round(box.width)} x ${Math.round(box.height)} ${element.getAttribute('aria-label') ?? element.textContent.slice(0, 60)}`,
        ),
    controls,
    target,
  );
}

/**
 * Controls whose name does not have the words that stand on them first: who says what they see would not reach them.
 * What a row says besides, below its first words, may be told shorter or in another order.
 */
function namedOtherwise(page: Page): Promise<string[]> {
  return page.evaluate((selector) => {
    const wordsOf = (text: string) =>
      text
        .normalize('NFKD')
        .toLowerCase()
        .split(/[^\p{L}\p{M}\p{N}]+/u)
        .filter((word) => word.length > 2);
    const firstWordsOn = (element: HTMLElement) => {
      const texts = document.createTreeWalker(element, NodeFilter.SHOW_TEXT);
      for (let text = texts.nextNode(); text; text = texts.nextNode())
        if (text.textContent?.trim() && text.parentElement?.closest('[aria-hidden=true]') === null)
          return text.textContent;
      return '';
    };
    return [...document.querySelectorAll<HTMLElement>(selector)].flatMap((element) => {
      // What stands in a field is not its name.
      if (element.matches('input, textarea')) return [];
      const name = element.getAttribute('aria-label');
      if (name === null || element.getBoundingClientRect().width === 0) return [];
      const said = wordsOf(name);
      // A seat has the beginning of a name, where its whole has no room.
      const missing = wordsOf(firstWordsOn(element)).filter(
        (word) => !said.some((whole) => whole.startsWith(word)),
      );
      return missing.length > 0 ? [`named otherwise: “${name}” lacks ${missing.join(', ')}`] : [];
    });
  }, controls);
}

/** What is wrong on a page for whoever listens to it, cannot aim or tell colours well, or has a narrow screen. */
export async function faultsOf(page: Page): Promise<string[]> {
  const beyond = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  return [
    ...(await againstRules(page)),
    ...(await tooSmall(page)),
    ...(await namedOtherwise(page)),
    ...(beyond > 0 ? [`wider than the screen by ${beyond}`] : []),
  ];
}
