declare global {
	// eslint-disable-next-line @typescript-eslint/no-namespace
	namespace App {}
}

export {};
