import { chromium, type Browser } from 'playwright-core';

/** Debian's Chromium, with the flags that keep it off the network. */
export function launch(): Promise<Browser> {
	return chromium.launch({
		executablePath: '/usr/bin/chromium',
		args: [
			'--headless',
			'--no-sandbox',
			'--disable-gpu',
			'--disable-quic',
			'--no-first-run',
			'--disable-background-networking',
			'--disable-component-update',
			'--disable-sync'
		]
	});
}
