const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
// Icons are drawn from shapes of our own (src/ui/icons.ts): no icon font is loaded, whoever asks for one.
config.resolver.resolveRequest = (context, name, platform) =>
  /^(@expo|@react-native|react-native)(-|\/)vector-icons/.test(name) ? { type: 'empty' } : context.resolveRequest(context, name, platform);

module.exports = config;
