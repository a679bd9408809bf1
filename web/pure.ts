// What of the front end is a plain function, for the tests that call it in a browser.
export { adopt } from "./src/app/adopt";
export { behind, loadTheRest } from "./src/app/later";
export { lengthIn } from "./src/app/length";
export { lateBy, sayable, span } from "./src/app/when";
export { numberOf } from "./src/form/fields";
export { cents, money, signedCents } from "./src/parts/money";
export { num } from "./src/parts/num";
export { heapsOf } from "./src/screens/days/heaps";
export { momentAt, placeOf, stretches } from "./src/screens/days/scale";
