/** Stands in for the application's environment when its modules run on the command line. */
export const env: Readonly<Record<string, string | undefined>> = process.env;
