/** The lights that prints hang in, as people name them, and how bright the screen is that they are foreseen on. */
package wistel.server.light;
