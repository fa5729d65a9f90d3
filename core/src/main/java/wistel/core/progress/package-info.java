/** How a long computation tells how far it is and is stopped; who shows that to a person lives elsewhere. */
package wistel.core.progress;
