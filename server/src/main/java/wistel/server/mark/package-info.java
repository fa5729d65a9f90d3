/** Marks of one's own, kept in the settings: their files, and what they show. Where one lies on a docket is {@code core.sheet}'s. */
package wistel.server.mark;
