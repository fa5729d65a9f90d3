/** Pictures as they came, and previews of them. */
package wistel.server.master;
