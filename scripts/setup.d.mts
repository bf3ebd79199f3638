export const ROOT: string;
export function say(text: string): void;
export function giveUp(sentence: string): never;
export function postgresFolder(): string | null;
export function needPackages(names: string[]): void;
export function needModules(): void;
export function needNode(): void;
