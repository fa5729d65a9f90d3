/**
 * What a person can decide on a docket (commands, as the API takes them) and what follows from choices elsewhere (changes). Each gives a new\n * specification; undo is labelled by it.
 */
package wistel.core.docket.changes;
