const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
const resolve = config.resolver.resolveRequest;

/** What packages bring along and the application has no use for, by the package, and what stands in for it. */
const standIns = [
  // Error messages in forty languages; the application speaks one (some 50 KB).
  { from: /node_modules\/zod\//, name: /locales\/index\.(js|cjs)$/, file: 'zodLocales.js' },
  // Reading SVG from texts (some 3 KB).
  { from: /node_modules\/react-native-svg\//, name: /^\.\/xml$/, file: 'svgTexts.js' },
];

config.resolver.resolveRequest = (context, name, platform) => {
  const standIn = standIns.find((one) => one.name.test(name) && one.from.test(context.originModulePath));
  if (standIn) return { type: 'sourceFile', filePath: path.join(__dirname, standIn.file) };
  return (resolve ?? context.resolveRequest)(context, name, platform);
};

module.exports = config;
