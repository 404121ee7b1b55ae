/** Stands in for react-native-web's Animated, of which the screens' package makes one component: it stays as it is. */
module.exports = { __esModule: true, default: { createAnimatedComponent: (component) => component } };
