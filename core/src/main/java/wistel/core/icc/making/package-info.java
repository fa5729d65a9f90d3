/** Output profiles from measured charts: the forward model of a printer, its inverse, and what a maker promises of them. */
package wistel.core.icc.making;
