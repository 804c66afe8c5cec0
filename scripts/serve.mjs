// Starts the built server; listens on loopback unless HOST says otherwise.
process.env.HOST ??= '127.0.0.1';
process.env.PORT ??= '5180';
process.env.SKARN_ADDRESS ??= `http://127.0.0.1:${process.env.PORT}`;
process.env.BODY_SIZE_LIMIT ??= '60M';
if (!/^(127\.|localhost$|::1$)/.test(process.env.HOST))
	console.warn(`Skarn listens on ${process.env.HOST}: anybody who reaches it can write. It has no accounts yet.`);
await import('../build/index.js');
