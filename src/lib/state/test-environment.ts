/** `$app/environment` where no framework runs: tests run in Node, as pages do on the server. */
export const browser = false;
