/** The import aliases of the application, for the dependency checker. */
const { join } = require('node:path');
const root = join(__dirname, '..');

module.exports = {
	resolve: { alias: { $core: join(root, 'src/core'), $lib: join(root, 'src/lib') } }
};
