/**
 * What a print takes: time, ink, sheets and length of roll, as past prints took or as the printer says.
 */
package wistel.core.docket.costs;
