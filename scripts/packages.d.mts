export declare function newestVersion(): string | null
export declare function postgresPrograms(version: string): string
export declare const browserPath: string
