/** Whose history the sessions of a lesson are in. */
export const observationHistory = (lessonId: string) => `observation ${lessonId}`;
/** Whose history a plan, its phases and what is said of it are in. */
export const planHistory = (planId: string) => `observationPlan ${planId}`;
