/**
 * A docket in sentences: what its plan makes, and the readback. Nothing is judged here.
 */
package wistel.core.docket.words;
