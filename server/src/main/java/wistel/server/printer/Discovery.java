package wistel.server.printer;

import java.io.IOException;
import java.net.Inet4Address;
import java.net.InetAddress;
import java.net.NetworkInterface;
import java.net.SocketException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.locks.ReentrantLock;
import javax.jmdns.JmDNS;
import javax.jmdns.ServiceEvent;
import javax.jmdns.ServiceInfo;
import javax.jmdns.ServiceListener;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import wistel.core.fault.PrinterException;

/**
 * Asks the local network for printers that make themselves known by DNS-SD (RFC 6763; PWG 5100.14, 4.2). Only when a person wants it:
 * nothing listens otherwise.
 */
@Component
public class Discovery {
    private static final Logger LOG = LoggerFactory.getLogger(Discovery.class);
    private static final String IPP = "_ipp._tcp.local.";
    private static final int MOST = 60;
    private static final int LONGEST_NAME = 80;

    private final Duration patience;
    private final String address;
    private final ReentrantLock asking = new ReentrantLock();

    /** @param address of the interface that is asked; empty for all that aren't loopback */
    public Discovery(@Value("${wistel.discovery.seconds:3}") int seconds, @Value("${wistel.discovery.address:}") String address) {
        this.patience = Duration.ofSeconds(seconds);
        this.address = address;
    }

    /** A printer that answered, and where it is reached. */
    public record FoundPrinter(String name, String uri) {
    }

    /** @throws PrinterException when the network can't be asked, or somebody asks already */
    public List<FoundPrinter> look() {
        if (!asking.tryLock()) {
            throw new PrinterException(PrinterException.Reason.BUSY, "The network is being asked already.", "Wait a few seconds.");
        }
        List<JmDNS> open = new ArrayList<>();
        Map<String, FoundPrinter> found = new ConcurrentHashMap<>();
        try {
            for (InetAddress at : addresses()) {
                JmDNS dns = JmDNS.create(at);
                open.add(dns);
                dns.addServiceListener(IPP, listener(dns, found));
            }
            Thread.sleep(patience.toMillis());
        } catch (IOException e) {
            throw new PrinterException(PrinterException.Reason.UNCLEAR, "The network can't be asked for printers: " + e.getMessage() + ".",
                "Enter the printer's address instead.");
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new PrinterException(PrinterException.Reason.INTERRUPTED, "The search was interrupted.", "Look again.", e);
        } finally {
            // leaving takes some seconds of its own, for which nobody waits
            Thread leaving = new Thread(() -> open.forEach(Discovery::close), "discovery-leaves");
            leaving.setDaemon(true);
            leaving.start();
            asking.unlock();
        }
        return List.copyOf(new TreeMap<>(found).values());
    }

    private static void close(JmDNS dns) {
        try {
            dns.close();
        } catch (IOException e) {
            LOG.info("closing the search: {}", e.getMessage());
        }
    }

    private List<InetAddress> addresses() throws IOException {
        if (!address.isBlank()) {
            return List.of(InetAddress.getByName(address));
        }
        List<InetAddress> all = new ArrayList<>();
        try {
            NetworkInterface.networkInterfaces().filter(Discovery::serves)
                .forEach(n -> n.inetAddresses().filter(Inet4Address.class::isInstance).forEach(all::add));
        } catch (SocketException e) {
            throw new IOException(e);
        }
        return all;
    }

    private static boolean serves(NetworkInterface n) {
        try {
            return n.isUp() && !n.isLoopback() && n.supportsMulticast();
        } catch (SocketException e) {
            return false;
        }
    }

    private static ServiceListener listener(JmDNS dns, Map<String, FoundPrinter> found) {
        return new ServiceListener() {
            @Override
            public void serviceAdded(ServiceEvent e) {
                dns.requestServiceInfo(e.getType(), e.getName(), true);
            }

            @Override
            public void serviceRemoved(ServiceEvent e) {
                found.remove(e.getName());
            }

            @Override
            public void serviceResolved(ServiceEvent e) {
                ServiceInfo info = e.getInfo();
                String path = info.getPropertyString("rp");
                if (info.getInet4Addresses().length > 0 && info.getPort() > 0 && path != null && path.matches("[\\w./-]{0,100}")
                    && found.size() < MOST) {
                    String host = info.getInet4Addresses()[0].getHostAddress();
                    String name = e.getName().replaceAll("\\p{Cntrl}", "");
                    found.put(e.getName(), new FoundPrinter(name.length() > LONGEST_NAME ? name.substring(0, LONGEST_NAME) : name,
                        "ipp://" + host + ":" + info.getPort() + "/" + path));
                }
            }
        };
    }
}
