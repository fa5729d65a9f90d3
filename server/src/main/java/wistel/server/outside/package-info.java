/** Talking to addresses outside: answers are bounded in bytes and in time, and a person's own network is asked only where they said so. */
package wistel.server.outside;
