/** Jest runs this once before all tests: the server's worker threads start from a bundled file. */
const beforeTests = () => import('./build-server.mjs');

export default beforeTests;
