/** Papers as stock, named sheet sizes, and the pairing of a paper with a printer's settings. How work lies on them is {@code sheet}'s. */
package wistel.core.paper;
