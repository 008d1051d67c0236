import { runPlan } from '../api/plan';

/** The planning worker of the server's thread pool. */
export default runPlan;
