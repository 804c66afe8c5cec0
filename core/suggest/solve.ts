/** A solver of integer programmes in the CPLEX LP format, such as HiGHS: gives the value of each variable, and how it ended. */
export type Solve = (model: string) => { readonly status: string; readonly values: Readonly<Record<string, number>> };
