/** Moves kept under names, and where they are used. What a move does is core's to say; what a docket prints stands in its own spec. */
package wistel.server.compensation;
