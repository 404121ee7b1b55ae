// Property tests try the same cases in every run, so that main turns red for a change and not by luck.
// `npm run explore` tries new ones: what it finds becomes a test of its own.
import fc from 'fast-check';

const seed = process.env['CENDRO_CASES'] === 'new' ? Date.now() : 20_261_125;
fc.configureGlobal({ seed });
