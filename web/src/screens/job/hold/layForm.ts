/** Where the line opens the form of what was laid. */
export const layForm = "#what-was-laid";
