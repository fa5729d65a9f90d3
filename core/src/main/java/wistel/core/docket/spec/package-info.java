/**
 * What is decided on a docket, the facts that it is judged with, and the way of its colours. Nothing here changes a docket or speaks of it.
 */
package wistel.core.docket.spec;
