// What a worker of a page finds around it, on a thread of Node.
import { parentPort, workerData } from 'node:worker_threads';
import { register } from 'tsx/esm/api';

register();

const target = new EventTarget();
Object.assign(globalThis, {
	self: globalThis,
	name: workerData.name,
	postMessage: (message, transfer) => parentPort.postMessage(message, transfer),
	addEventListener: target.addEventListener.bind(target),
	removeEventListener: target.removeEventListener.bind(target)
});
const waiting = [];
let isReady = false;
function hand(data) {
	for (const argument of data?.argumentList ?? [])
		if (argument.fileName !== undefined) argument.value = new File([argument.value], argument.fileName);
	const event = new MessageEvent('message', { data });
	globalThis.onmessage?.(event);
	target.dispatchEvent(event);
}
parentPort.on('message', (data) => (isReady ? hand(data) : waiting.push(data)));
await import(workerData.module);
isReady = true;
for (const data of waiting) hand(data);
