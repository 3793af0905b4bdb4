const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
const app = path.join(__dirname, '..', '..', 'app', 'index.js');

// The same React as the application's.
config.resolver.resolveRequest = (context, name, platform) =>
  context.resolveRequest(
    /^react(\/|$)/.test(name) ? { ...context, originModulePath: app } : context,
    name,
    platform,
  );

module.exports = config;
