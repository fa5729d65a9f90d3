/** A paper's own page: its profile looked into, what was printed with each version, where it lies. Pairings themselves live in their room. */
package wistel.server.paper;
