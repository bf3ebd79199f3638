/* A test that checks nothing passes whatever happens: it fails instead. Those in a browser check by waiting for what must appear. */
beforeEach(() => {
  if (expect.getState().testPath?.includes('/e2e/') !== true) expect.hasAssertions();
});
