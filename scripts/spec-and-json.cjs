// Mocha reporter: the usual list for people, and the totals as JSON for scripts/test.mjs.
const { reporters } = require('mocha');

module.exports = class SpecAndJson extends reporters.Spec {
	constructor(runner, options) {
		super(runner, options);
		this.json = new reporters.JSON(runner, options);
	}
};
