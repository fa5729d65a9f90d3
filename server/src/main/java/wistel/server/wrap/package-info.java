/**
 * Wraps over REST: what a person types of a body, colours picked from pictures, their pictures, own bars, and the page for the workbench.
 * What a wrap is, is core's.
 */
package wistel.server.wrap;
