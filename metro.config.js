const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);

/**
 * Parts of packages that Cendro never calls, kept out of the first load
 * (docs/decisions/005-first-load.md): Zod's messages in fifty languages and its JSON Schema, finding phone numbers
 * in running text, and navigators other than the slot.
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
    from: /\/expo-router\/build\/(index|exports)\.js$/,
    name: /^\.\/(stack|layouts\/Tabs|layouts\/experimental-stack)$/,
  },
];

config.resolver.resolveRequest = (context, moduleName, platform) => {
  const isLeftOut = leftOut.some(
    ({ from, name }) => from.test(context.originModulePath) && name.test(moduleName),
  );
  return isLeftOut ? { type: 'empty' } : context.resolveRequest(context, moduleName, platform);
};

// A module runs when it is first needed, not when the page starts.
config.transformer.getTransformOptions = async () => ({ transform: { inlineRequires: true } });

module.exports = config;
