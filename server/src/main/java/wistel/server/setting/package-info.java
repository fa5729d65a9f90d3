/** What was set. */
package wistel.server.setting;
