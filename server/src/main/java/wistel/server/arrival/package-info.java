/**
 * Picture files that come in: what each becomes, a docket of its own or the newer state of a picture on one, and the folder that is
 * watched for them. How a file is read and kept is {@code master}'s, what a docket holds {@code docket}'s.
 */
package wistel.server.arrival;
