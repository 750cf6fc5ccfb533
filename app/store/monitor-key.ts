/** Where it is kept in this browser whose monitors are listened to. */
export const MONITORS_KEY = 'terroir:monitors';
