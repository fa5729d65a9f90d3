package wistel.server.outside;

import java.net.Inet6Address;
import java.net.InetAddress;
import java.net.URI;
import java.net.UnknownHostException;
import java.util.Locale;
import wistel.core.fault.LibraryException;

/**
 * An address on the web that Wistel may ask: http or https, and none of a person's own network unless they said that it is there.
 *
 * @param ownNetwork its host may be of the person's own network
 */
public record OutsideAddress(URI uri, boolean ownNetwork) {
    private static final int LONGEST = 2000;
    /** Of an IPv6 address: unique local ones start with it (RFC 4193). */
    private static final int UNIQUE_LOCAL = 0xFC;

    /** @throws LibraryException when it is no address of the web */
    public OutsideAddress {
        String scheme = uri.getScheme() == null ? "" : uri.getScheme().toLowerCase(Locale.ROOT);
        if (!scheme.equals("http") && !scheme.equals("https") || uri.getHost() == null || uri.getRawUserInfo() != null
            || uri.toString().length() > LONGEST) {
            throw new LibraryException(LibraryException.Reason.ADDRESS, "'" + shortened(uri.toString()) + "' is no address on the web.",
                "Give one that starts with http:// or https://, without a name and password in it.");
        }
    }

    /** @throws LibraryException as the constructor */
    public static OutsideAddress of(String text, boolean ownNetwork) {
        try {
            return new OutsideAddress(URI.create(text.trim()), ownNetwork);
        } catch (IllegalArgumentException e) {
            throw new LibraryException(LibraryException.Reason.ADDRESS, "'" + shortened(text) + "' is no address.",
                "Give one that starts with http:// or https://.", e);
        }
    }

    /**
     * Where an answer leads on to.
     *
     * @throws LibraryException when that is another host, port or kind of address
     */
    public OutsideAddress redirected(String location) {
        URI next;
        try {
            next = uri.resolve(location);
        } catch (IllegalArgumentException e) {
            throw elsewhere(location, e);
        }
        OutsideAddress to = new OutsideAddress(next, ownNetwork);
        boolean safer = uri.getScheme().equalsIgnoreCase("http") && next.getScheme().equalsIgnoreCase("https") && next.getPort() < 0
            && uri.getPort() < 0;
        if (!next.getHost().equalsIgnoreCase(uri.getHost())
            || !safer && (next.getPort() != uri.getPort() || !next.getScheme().equalsIgnoreCase(uri.getScheme()))) {
            throw elsewhere(location, null);
        }
        return to;
    }

    private LibraryException elsewhere(String location, Exception cause) {
        return new LibraryException(LibraryException.Reason.REFUSED,
            uri.getHost() + " leads on to '" + shortened(location) + "', which is another address.", "Give that address, if you trust it.",
            cause);
    }

    /** Whether it is one of the same host and port. */
    public boolean sameHost(OutsideAddress other) {
        return uri.getHost().equalsIgnoreCase(other.uri.getHost()) && uri.getPort() == other.uri.getPort();
    }

    /**
     * Looks its host up.
     *
     * @throws LibraryException when it has none, or it is one of a person's own network that wasn't said to be there
     */
    void checkHost() {
        try {
            for (InetAddress found : InetAddress.getAllByName(uri.getHost())) {
                if (!ownNetwork && own(found)) {
                    throw new LibraryException(LibraryException.Reason.ADDRESS, uri.getHost() + " is in your own network.",
                        "If it is meant, say so beside the address.");
                }
            }
        } catch (UnknownHostException e) {
            throw new LibraryException(LibraryException.Reason.AWAY, "Nobody knows the host " + shortened(uri.getHost()) + ".",
                "Check the address, and that this computer is connected.", e);
        }
    }

    private static boolean own(InetAddress a) {
        byte[] bytes = a.getAddress();
        boolean carrier = bytes.length == 4 && (bytes[0] & 0xFF) == 100 && (bytes[1] & 0xC0) == 64;
        boolean unique = a instanceof Inet6Address && (bytes[0] & 0xFE) == UNIQUE_LOCAL;
        boolean none = bytes.length == 4 && bytes[0] == 0;
        return a.isLoopbackAddress() || a.isAnyLocalAddress() || a.isLinkLocalAddress() || a.isSiteLocalAddress() || a.isMulticastAddress()
            || carrier || unique || none;
    }

    private static String shortened(String text) {
        String clean = text.replaceAll("\\p{C}", "");
        return clean.length() > 100 ? clean.substring(0, 100) + "…" : clean;
    }
}
