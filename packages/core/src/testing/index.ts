/** For an application's own tests, with any test runner: what is broken comes back as sentences, so an empty list is a pass. */
export { brokenCases, brokenLaws } from './codecs.js';
export { enter, problemsIn } from './forms.js';
