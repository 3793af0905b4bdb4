const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
const resolve = config.resolver.resolveRequest;

// Zod brings its error messages in forty languages; the application speaks one (saves some 50 KB).
config.resolver.resolveRequest = (context, name, platform) => {
  if (/locales\/index\.(js|cjs)$/.test(name) && /node_modules\/zod\//.test(context.originModulePath))
    return { type: 'sourceFile', filePath: path.join(__dirname, 'zodLocales.js') };
  return (resolve ?? context.resolveRequest)(context, name, platform);
};

module.exports = config;
