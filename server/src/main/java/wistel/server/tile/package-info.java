/** Pictures over several sheets: what they take on each stock, and the page for the workbench on which they are joined. */
package wistel.server.tile;
