/** The demo's work of an invented photographer, laid out through the same services that a person's clicks go through. */
package wistel.server.demo;
