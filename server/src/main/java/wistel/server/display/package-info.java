/** Screens that proofs are looked at on: the standard spaces, and profiles that people bring of their own. */
package wistel.server.display;
