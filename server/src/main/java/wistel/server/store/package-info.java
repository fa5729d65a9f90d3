/** Files by their hash, profiles, and records as JSON. */
package wistel.server.store;
