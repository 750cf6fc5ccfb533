process.env.CHROME_BIN ||= '/usr/bin/chromium';

module.exports = (config) =>
  config.set({
    frameworks: ['jasmine'],
    plugins: [require('karma-jasmine'), require('karma-chrome-launcher')],
    reporters: ['dots'],
    reportSlowerThan: 900,
    colors: false,
    browsers: ['Headless'],
    customLaunchers: {
      Headless: {
        base: 'ChromeHeadless',
        flags: [
          '--no-sandbox',
          '--disable-gpu',
          '--disable-quic',
          '--no-first-run',
          '--disable-background-networking',
          '--disable-component-update',
          '--disable-sync',
        ],
      },
    },
    hostname: '127.0.0.1',
    listenAddress: '127.0.0.1',
    restartOnFileChange: false,
    // five seconds are too few for a bench that opens on a machine that is busy just then
    client: { jasmine: { timeoutInterval: 30_000 } },
    // a busy machine starves the browser of its heartbeat; a spec that hangs has its own limit
    pingTimeout: 120_000,
    browserDisconnectTimeout: 60_000,
    browserNoActivityTimeout: 240_000,
  });
