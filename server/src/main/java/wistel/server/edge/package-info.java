/** Where the server meets the outside: errors as problems, events, static files, who may ask, how the API is described. */
package wistel.server.edge;
