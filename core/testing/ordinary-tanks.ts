/**
 * What keepers do with success, and what goes wrong for one plain reason. Written down from husbandry before the rules: common practice
 * throughout. Nothing may be cried over the first, the reason has to be said first of the second.
 */
export { THRIVING } from './tanks-that-thrive';
export { FAILING, type FailingTank } from './tanks-that-fail';
