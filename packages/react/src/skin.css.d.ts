/** A style sheet gives nothing; this says so to those who check what a module imports. */
export {};
