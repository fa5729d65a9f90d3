/** The viewing booth: pictures for a display and the numbers beside them. */
package wistel.server.proof;
