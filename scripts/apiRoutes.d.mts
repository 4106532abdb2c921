export declare function apiRoutes(folder?: string): { path: string; method: string }[]
