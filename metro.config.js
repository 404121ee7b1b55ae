const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);

/**
 * Parts of packages that Cendro never calls, kept out of the first load
 * (docs/decisions/005-first-load.md): Zod's messages in fifty languages and its JSON Schema, finding phone numbers
 * in running text, and navigators other than the slot with their headers and bars.
 */
const leftOut = [
  { from: /\/zod\//, name: /locales\/index\.c?js$/ },
  {
    from: /\/zod\//,
    name: /\/(compile|from-json-schema|json-schema-processors|json-schema-generator)\.c?js$/,
  },
  {
    from: /\/libphonenumber-js\/(min|core)\/index\.js$/,
    name: /\/(legacy\/|find|search|PhoneNumberMatcher|getExampleNumber)/,
  },
  {
    from: /\/expo-router\/build\/(index|exports|getRoutes)\.js$/,
    name: /^\.\/(stack|layouts\/Tabs|layouts\/experimental-stack|views\/(use)?Sitemap)$/,
  },
  { from: /\/expo-router\/build\/layouts\/StackClient\.js$/, name: /^\.\/stack-utils$/ },
  { from: /\/expo-router\/build\/fork\/native-stack\//, name: /\/react-navigation\/native-stack$/ },
];

/** Of the tab bar's package two views need one context, and nothing else of it. */
const narrowed = {
  from: /\/expo-router\/build\/views\/(ErrorBoundary|Toast)\.js$/,
  name: '../react-navigation/bottom-tabs',
  to: '../react-navigation/bottom-tabs/utils/BottomTabBarHeightContext',
};

config.resolver.resolveRequest = (context, moduleName, platform) => {
  const isLeftOut = leftOut.some(
    ({ from, name }) => from.test(context.originModulePath) && name.test(moduleName),
  );
  if (isLeftOut) return { type: 'empty' };
  const isNarrowed = narrowed.from.test(context.originModulePath) && moduleName === narrowed.name;
  return context.resolveRequest(context, isNarrowed ? narrowed.to : moduleName, platform);
};

// A module runs when it is first needed, not when the page starts.
config.transformer.getTransformOptions = async () => ({ transform: { inlineRequires: true } });

module.exports = config;
