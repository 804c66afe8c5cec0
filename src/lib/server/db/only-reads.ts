/** Whether a statement certainly writes nothing; one that begins with a query of its own (`with`) may. */
export const onlyReads = (text: string): boolean => /^\s*(select|show|explain)\b/i.test(text);
