package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.InetAddress;
import java.util.Map;
import javax.jmdns.JmDNS;
import javax.jmdns.ServiceInfo;
import org.testng.annotations.Test;
import wistel.server.printer.Discovery;

/** Printers that make themselves known by DNS-SD, on loopback. */
public class DiscoveryTest {
    @Test
    public void aPrinterThatMakesItselfKnownIsFoundWithItsAddress() throws Exception {
        InetAddress loopback = InetAddress.getByName("127.0.0.1");
        try (JmDNS room = JmDNS.create(loopback, "print-room")) {
            room.registerService(
                ServiceInfo.create("_ipp._tcp.local.", "Ardle of the test", 8631, 0, 0, Map.of("rp", "ipp/print", "ty", "Ardle 17")));
            room.registerService(ServiceInfo.create("_ipp._tcp.local.", "Without a path", 8632, 0, 0, Map.of("ty", "odd")));
            assertThat(new Discovery(6, "127.0.0.1").look())
                .contains(new Discovery.FoundPrinter("Ardle of the test", "ipp://127.0.0.1:8631/ipp/print"))
                .noneMatch(f -> f.name().equals("Without a path"));
        }
    }

    @Test
    public void aQuietNetworkHasNone() {
        assertThat(new Discovery(1, "127.0.0.1").look()).noneMatch(f -> f.name().equals("Nobody"));
    }
}
