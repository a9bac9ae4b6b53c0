/** Stands where something was said of a person who was blanked (as the database's own `unseal` writes it). */
export const BLANKED = '█';
