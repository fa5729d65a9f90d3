/** Papers and pairings in the database, by versions. */
package wistel.server.pairing;
