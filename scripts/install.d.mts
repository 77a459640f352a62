/** Folder of the repository. */
export declare const home: string
