/** Gives the English dictionary as text, one line for each level of familiarity, the most familiar first. */
export declare function englishDictionary(): string;
