/** How well the core specs notice a single change. Slow: a folder at a time, by `npm run mutants -- core/window`. */
export default {
  testRunner: 'jasmine',
  plugins: ['@stryker-mutator/jasmine-runner'],
  jasmineConfigFile: 'core/jasmine.json',
  testRunnerNodeArgs: ['--import', 'tsx'],
  coverageAnalysis: 'perTest',
  ignorePatterns: ['app', 'dist', 'docs/*', '!docs/schema', 'e2e', 'server', '.angular'],
  // what runs once as a module loads is told apart by no test, and texts are proved by reading them
  ignoreStatic: true,
  mutator: { excludedMutations: ['StringLiteral', 'Regex'] },
  dryRunTimeoutMinutes: 15,
  timeoutMS: 20_000,
  concurrency: 2,
  reporters: ['progress', 'clear-text', 'json'],
  clearTextReporter: { allowColor: false, logTests: false, reportTests: false },
  jsonReporter: { fileName: '.tmp/mutants.json' },
  tempDirName: '.tmp/mutants',
  allowConsoleColors: false,
};
