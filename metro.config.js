const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);

/**
 * Parts of packages that Cendro never calls, kept out of the first load
 * (docs/decisions/005-first-load.md): Zod's messages in fifty languages and its JSON Schema, finding phone numbers
 * in running text, and navigators other than the slot with their headers and bars,
 * and components of react-native-web that are not drawn.
 */
const leftOut = [
  { from: /\/zod\//, name: /locales\/index\.c?js$/ },
  {
    from: /\/zod\//,
    name: /\/(compile|from-json-schema|to-json-schema|json-schema-processors|json-schema-generator)\.c?js$/,
  },
  {
    from: /\/libphonenumber-js\/(min|core)\/index\.js$/,
    name: /\/(legacy\/|find|search|PhoneNumberMatcher|getExampleNumber)/,
  },
  {
    from: /\/expo-router\/build\/(index|exports|getRoutes)\.js$/,
    name: /^\.\/(stack|layouts\/Tabs|layouts\/experimental-stack|views\/(use)?Sitemap)$/,
  },
  // Navigators that are described without addresses, and those with tabs or drawers.
  {
    from: /\/expo-router\/build\/react-navigation\/(core|native|routers)\/index\.js$/,
    name: /^\.\/(StaticNavigation|createStaticNavigation|useScrollToTop|useLinkBuilder|useLinkProps|TabRouter|DrawerRouter)$/,
  },
  { from: /\/expo-router\/build\/exports\.js$/, name: /^\.\/standard-navigation$/ },
  // A link's page is shown when it is held, on telephones' own systems alone.
  { from: /\/expo-router\/build\/link\/elements\.js$/, name: /\/HrefPreview$/ },
  { from: /\/expo-router\/build\/ExpoRoot\.js$/, name: /\/Sitemap$/ },
  // Lists, animations, switches, windows and touchables that nothing here draws: ours are Pressable, ui/layer and ui/virtualList.
  {
    from: /\/react-native-web\/dist\/index\.js$/,
    name: /exports\/(?:ActivityIndicator|Animated|Button|CheckBox|Clipboard|Easing|FlatList|ImageBackground|InteractionManager|KeyboardAvoidingView|LayoutAnimation|Modal|PanResponder|Picker|ProgressBar|RefreshControl|SafeAreaView|SectionList|Share|Switch|Touchable\w*|Vibration|VirtualizedList|YellowBox)$/,
  },
  // Nothing that is drawn is pressed: what is pressed lies under it.
  { from: /\/react-native-svg\/.*\/web\/WebShape\.(js|ts)$/, name: /\/SvgTouchableMixin$/ },
  // Transforms written as text, which only telephones' own systems have parsed, and pictures given as XML.
  { from: /\/react-native-svg\/.*\/extractTransform\.(js|ts)$/, name: /^\.\/transform(ToRn)?$/ },
  { from: /\/react-native-svg\/.*\/ReactNativeSVG\.web\.(js|ts)$/, name: /^\.\/xml$/ },
  // A message of the development server.
  { from: /\/expo-router\/build\/views\/Toast\.js$/, name: /exports\/Animated$/ },
  { from: /\/expo-router\/build\/layouts\/StackClient\.js$/, name: /^\.\/stack-utils$/ },
  { from: /\/expo-router\/build\/fork\/native-stack\//, name: /\/react-navigation\/native-stack$/ },
];

/** What is taken from another file than the one that is asked for. */
const redirected = [
  // Of the tab bar's package two views need one context, and nothing else of it.
  {
    from: /\/expo-router\/build\/views\/(ErrorBoundary|Toast)\.js$/,
    name: '../react-navigation/bottom-tabs',
    to: '../react-navigation/bottom-tabs/utils/BottomTabBarHeightContext',
  },
  // Its router is used, its navigator is not.
  {
    from: /\/expo-router\/build\/layouts\/StackClient\.js$/,
    name: '../fork/native-stack/createNativeStackNavigator',
    to: path.join(__dirname, 'scripts/withoutNativeStack.js'),
  },
  {
    from: /\/expo-router\/build\/layouts\/withLayoutContext\.js$/,
    name: '../native-tabs/NativeTabTrigger',
    to: path.join(__dirname, 'scripts/withoutNativeTabs.js'),
  },
  // Of its screens nothing is drawn: it sets their switches.
  {
    from: /\/expo-router\/build\/screensFeatureFlags\.js$/,
    name: 'react-native-screens',
    to: path.join(__dirname, 'node_modules/react-native-screens/lib/module/flags.js'),
  },
  // What is handed on from a module is asked for as CommonJS, and would come a second time.
  {
    from: /\/@reduxjs\/toolkit\//,
    name: 'immer',
    to: path.join(__dirname, 'node_modules/immer/dist/immer.mjs'),
  },
  // Nothing here writes into the document's head.
  {
    from: /\/expo-router\/build\/head\/ExpoHead\.js$/,
    name: '../../vendor/react-helmet-async/lib',
    to: path.join(__dirname, 'scripts/withoutHead.js'),
  },
  // The file that tslib names for imports takes a default from CommonJS, which Metro does not give it.
  { from: /\/pdf-lib\//, name: 'tslib', to: 'tslib/tslib.es6.js' },
];

config.resolver.resolveRequest = (context, moduleName, platform) => {
  const isLeftOut = leftOut.some(
    ({ from, name }) => from.test(context.originModulePath) && name.test(moduleName),
  );
  if (isLeftOut) return { type: 'empty' };
  const redirection = redirected.find(
    ({ from, name }) => from.test(context.originModulePath) && moduleName === name,
  );
  return context.resolveRequest(context, redirection?.to ?? moduleName, platform);
};

// A module runs when it is first needed, not when the page starts.
config.transformer.getTransformOptions = async () => ({ transform: { inlineRequires: true } });

module.exports = config;
