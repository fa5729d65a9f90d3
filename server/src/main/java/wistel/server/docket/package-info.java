/** Dockets over REST and in the database: their specs, revisions, and what they are judged against. Knows nothing of prints. */
package wistel.server.docket;
