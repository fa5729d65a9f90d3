package wistel.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** The whole of Wistel as a person starts it: ./wistel demo, in a home of its own. */
final class Running implements AutoCloseable {
    private static final Path ROOT = Path.of("..").toAbsolutePath().normalize();
    private static final int LAST_LINES = 60;
    private final Path home = Files.createTempDirectory("wistel-home");
    final String address;

    Running() throws IOException, InterruptedException {
        String said = launcher("demo");
        Matcher ready = Pattern.compile("Wistel is ready:\\s+(http://localhost:\\d+)/").matcher(said);
        if (!ready.find()) {
            throw new IllegalStateException(said);
        }
        address = ready.group(1);
    }

    String launcher(String command) throws IOException, InterruptedException {
        Path out = Files.createTempFile("launcher", ".txt");
        ProcessBuilder builder = new ProcessBuilder("./wistel", command).directory(ROOT.toFile()).redirectErrorStream(true)
            .redirectOutput(out.toFile());
        builder.environment().put("WISTEL_HOME", home.toString());
        builder.environment().put("WISTEL_BUILT", "yes");
        builder.environment().put("WISTEL_PACE", "120");
        // nothing is started twice from this home
        builder.environment().put("WISTEL_KEEP_CLASSES", "no");
        // a server that lives for some minutes is worth less of the optimising compiler's time
        builder.environment().put("JDK_JAVA_OPTIONS", "-XX:Tier4InvocationThreshold=50000 -XX:Tier4MinInvocationThreshold=6000 "
            + "-XX:Tier4CompileThreshold=150000 -XX:Tier4BackEdgeThreshold=400000");
        Process process = builder.start();
        if (!process.waitFor(180, TimeUnit.SECONDS)) {
            process.destroyForcibly();
            throw new IllegalStateException("./wistel " + command + " took too long: " + Files.readString(out));
        }
        return Files.readString(out);
    }

    /** What somebody does in the print room, at the stand-in's own page: {@code printer=small&do=jam}. */
    void inTheRoom(String form) throws IOException, InterruptedException {
        String port = Files.readString(home.resolve("run").resolve("room.port")).strip();
        HttpClient.newHttpClient().send(HttpRequest.newBuilder(URI.create("http://localhost:" + port + "/room"))
            .header("Content-Type", "application/x-www-form-urlencoded").POST(HttpRequest.BodyPublishers.ofString(form)).build(),
            HttpResponse.BodyHandlers.discarding());
    }

    /** The last lines of what the server and the print room wrote: for a test that failed. */
    String logs() throws IOException {
        StringBuilder said = new StringBuilder();
        for (String name : List.of("server.log", "room.log")) {
            try (Stream<Path> found = Files.walk(home)) {
                for (Path log : found.filter(f -> f.getFileName().toString().equals(name)).toList()) {
                    List<String> lines = Files.readAllLines(log);
                    said.append(name).append('\n');
                    lines.subList(Math.max(0, lines.size() - LAST_LINES), lines.size()).forEach(l -> said.append(l).append('\n'));
                }
            } catch (UncheckedIOException e) {
                said.append(name).append(": ").append(e.getMessage()).append('\n');
            }
        }
        return said.toString();
    }

    @Override
    public void close() throws IOException {
        try {
            launcher("stop");
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
