// Stands in for what reads SVG from texts: the application only draws.
export const camelCase = null;
export const parse = null;
export const SvgAst = null;
export const SvgFromUri = null;
export const SvgFromXml = null;
export const SvgUri = null;
export const SvgXml = null;
