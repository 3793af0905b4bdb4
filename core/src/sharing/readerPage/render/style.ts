import { board, paper, type Palette } from '../../../drawing/palette';

const variables = (palette: Palette) =>
  Object.entries(palette)
    .map(([name, colour]) => `--${name}:${colour}`)
    .join(';');

const inks = ['slate', 'plum', 'lichen', 'clay', 'inkQuiet', 'line'];
const chartInks = inks.map((ink) => `.f-${ink}{fill:var(--${ink})}.s-${ink}{stroke:var(--${ink})}`).join('');

/** How a reader's page looks: one column on any screen, in both themes, and on paper. */
export const pageStyle =
  `:root{color-scheme:light dark;${variables(paper)}}` +
  `@media screen and (prefers-color-scheme:dark){:root{${variables(board)}}}` +
  'body{margin:0 auto;max-width:640px;padding:20px 18px 40px;background:var(--ground);color:var(--ink);' +
  'font:17px/1.5 "Atkinson Hyperlegible Next",system-ui,sans-serif;overflow-wrap:anywhere}' +
  'h1{font-size:28px;line-height:1.2;margin:4px 0}h1.title{font-family:Bitter,Georgia,serif;font-weight:600}' +
  'h2{font-size:24px;line-height:1.25;margin:28px 0 0}section h2,section h3{font-size:17px;margin:0 0 8px}p{margin:0 0 8px}' +
  '.quiet{color:var(--inkQuiet);font-size:15px}.lead{margin:12px 0 0;font-size:18px;white-space:pre-wrap}' +
  'section{border-top:1px solid var(--line);padding:14px 0 0;margin-top:16px}' +
  'svg{display:block;width:100%;height:auto;max-width:560px;direction:ltr;font-family:inherit}' +
  'dl{display:flex;flex-wrap:wrap;gap:2px 20px;margin:8px 0}dl div{display:flex;gap:6px}dd{margin:0;font-weight:700}dt{color:var(--inkQuiet)}' +
  'ul{list-style:none;margin:0;padding:0}li{padding:6px 0}li+li{border-top:1px solid var(--line)}.text{white-space:pre-wrap}' +
  'label{display:block;margin-bottom:6px}textarea,input{box-sizing:border-box;width:100%;padding:10px;border:1px solid var(--inkQuiet);border-radius:6px;background:var(--surface);color:var(--ink);font:inherit}' +
  'button{min-height:44px;margin-top:10px;padding:8px 20px;border:0;border-radius:6px;background:var(--slate);color:var(--onSlate);font:inherit;font-weight:700}' +
  ':focus-visible{outline:3px solid var(--slate);outline-offset:2px}.said{border:1px solid var(--slate);border-radius:10px;padding:12px 14px;margin:12px 0}' +
  chartInks +
  '@media print{@page{margin:16mm}body{background:none;max-width:none;padding:0;font-size:11pt}form,.said{display:none}section{break-inside:avoid}svg{max-width:420px}}';
