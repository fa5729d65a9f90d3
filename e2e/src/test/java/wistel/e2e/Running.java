package wistel.e2e;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The whole of Wistel as a person starts it: ./wistel demo, in a home of its own. */
final class Running implements AutoCloseable {
    private static final Path ROOT = Path.of("..").toAbsolutePath().normalize();
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
        ProcessBuilder builder = new ProcessBuilder("./wistel", command).directory(ROOT.toFile()).redirectErrorStream(true).redirectOutput(out.toFile());
        builder.environment().put("WISTEL_HOME", home.toString());
        builder.environment().put("WISTEL_BUILT", "yes");
        builder.environment().put("WISTEL_PACE", "120");
        Process process = builder.start();
        if (!process.waitFor(180, TimeUnit.SECONDS)) {
            process.destroyForcibly();
            throw new IllegalStateException("./wistel " + command + " took too long: " + Files.readString(out));
        }
        return Files.readString(out);
    }

    @Override
    public void close() throws IOException, InterruptedException {
        launcher("stop");
    }
}
