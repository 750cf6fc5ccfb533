/** How practitioners build water up: with as much of the tap as will do, from pure water and plain salts, or from pure water and their own mix. */
export const RECIPE_SCHOOLS = ['least-ro', 'ro-only', 'own-mix'] as const;
export type RecipeSchool = (typeof RECIPE_SCHOOLS)[number];
