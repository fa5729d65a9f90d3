/** The bench as a whole: open dockets grouped by the paper that each needs. */
package wistel.server.bench;
