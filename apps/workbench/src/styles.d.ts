/** Style sheets are imported for their effect only. */
declare module '*.css';
