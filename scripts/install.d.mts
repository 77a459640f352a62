export declare const home: string
export declare function installNpmPackages(): void
