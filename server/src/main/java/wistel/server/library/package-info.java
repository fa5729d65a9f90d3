/**
 * Paper makers' libraries: catalogues on the web (JSON Feed), kept here so that they are there without it, and the profiles fetched from
 * them with where they came from. What a profile belongs to is decided in the room of pairings.
 */
package wistel.server.library;
