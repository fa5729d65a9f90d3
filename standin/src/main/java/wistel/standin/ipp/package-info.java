/** The printer's side of IPP (RFC 8010, RFC 8011, PWG 5100.12, PWG 5100.14) on the JDK's HTTP server. */
package wistel.standin.ipp;
