/** How well calls sound from where this device is: tried, remembered by place, and reckoned with. */
export { startTested } from './startTested';
export { forgetTest, keepTest, placeOfTest, readTests, testConnection, type TestStep } from './testing';
