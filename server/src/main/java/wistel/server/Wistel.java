package wistel.server;

import java.net.InetAddress;
import java.net.UnknownHostException;
import java.time.Clock;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.annotation.Bean;
import org.springframework.scheduling.annotation.EnableScheduling;

/** The server: REST over the core, PostgreSQL and files under it, printers by IPP. */
@SpringBootApplication
@EnableScheduling
public class Wistel {
    public static void main(String[] args) throws UnknownHostException {
        String listen = System.getenv().getOrDefault("WISTEL_LISTEN", "127.0.0.1");
        if (!InetAddress.getByName(listen).isLoopbackAddress()) {
            System.err.println(
                "Wistel listens on loopback only: it has no accounts yet, and without them nobody else may reach it. Unset WISTEL_LISTEN.");
            System.exit(2);
        }
        SpringApplication.run(Wistel.class, args);
    }

    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }
}
