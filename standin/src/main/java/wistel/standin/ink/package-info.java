/**
 * Ink on paper: a small physical model of what an invented inkjet lays down. Everything that "comes out" of the stand-in is computed here.
 */
package wistel.standin.ink;
