/** Whether this server shows the made-up office, where one signs in as any desk. */
export const isDemo = (): boolean => process.env.SKARN_DEMO === 'yes';
