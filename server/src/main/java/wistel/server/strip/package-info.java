/** Test strips: dockets that print variations of another one's picture, and what is learned from them. */
package wistel.server.strip;
