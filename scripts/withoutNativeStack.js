/** Stands in for the navigator of a telephone's own system, which nothing here draws. */
module.exports = { __esModule: true, createNativeStackNavigator: () => ({ Navigator: () => null }) };
