/** Why the server cannot start: one sentence that says what is wrong and what to do. */
export class StartProblem extends Error {}
