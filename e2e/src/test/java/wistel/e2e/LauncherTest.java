package wistel.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What ./wistel says and how it exits, where nothing has to be started for it. */
public class LauncherTest {
    private static final Path ROOT = Path.of("..").toAbsolutePath().normalize();

    private record Said(int exit, String text) {
    }

    private static Said launcher(Map<String, String> environment, String... arguments) throws IOException, InterruptedException {
        Path out = Files.createTempFile("launcher", ".txt");
        String[] command = new String[arguments.length + 1];
        command[0] = "./wistel";
        System.arraycopy(arguments, 0, command, 1, arguments.length);
        ProcessBuilder builder = new ProcessBuilder(command).directory(ROOT.toFile()).redirectErrorStream(true)
            .redirectOutput(out.toFile());
        builder.environment().put("WISTEL_HOME", Files.createTempDirectory("nothing-here").toString());
        builder.environment().putAll(environment);
        Process process = builder.start();
        assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
        return new Said(process.exitValue(), Files.readString(out));
    }

    @Test
    public void statusHasALineForEachServiceAndExitsWithOneWhenNothingRuns() throws Exception {
        Said said = launcher(Map.of(), "status");
        assertThat(said.exit).isEqualTo(1);
        assertThat(said.text.lines()).hasSize(3).allMatch(l -> l.endsWith("stopped"));
    }

    /** A home that an older version left open to everybody. */
    @Test
    public void whatLiesInTheHomeIsNobodyElses() throws Exception {
        Path home = Files.createTempDirectory("old-home");
        Path log = Files.writeString(home.resolve("server.log"), "what a photographer printed");
        Path room = Files.createDirectory(home.resolve("room"));
        Files.setPosixFilePermissions(log, PosixFilePermissions.fromString("rw-r--r--"));
        Files.setPosixFilePermissions(room, PosixFilePermissions.fromString("rwxr-xr-x"));
        launcher(Map.of("WISTEL_HOME", home.toString()), "status");
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(log))).isEqualTo("rw-------");
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(room))).isEqualTo("rwx------");
    }

    @Test
    public void stoppingNothingIsNoError() throws Exception {
        Said said = launcher(Map.of(), "stop");
        assertThat(said.exit).isZero();
        assertThat(said.text).contains("nothing was running");
    }

    @DataProvider
    Object[][] commands() {
        return new Object[][] {{"demo"}, {"start"}, {"status"}, {"stop"}, {"test"}, {"bench"}};
    }

    @Test(dataProvider = "commands")
    public void everyCommandHasHelpThatStartsNothing(String command) throws Exception {
        Said said = launcher(Map.of(), command, "--help");
        assertThat(said.exit).isZero();
        assertThat(said.text).contains("  " + command + " ").hasLineCount(1);
    }

    @Test
    public void anUnknownCommandFailsAndShowsTheKnownOnes() throws Exception {
        Said said = launcher(Map.of(), "print-money");
        assertThat(said.exit).isEqualTo(1);
        assertThat(said.text).contains("usage: ./wistel COMMAND").contains("unknown command: print-money");
    }

    @Test
    public void anythingButLoopbackIsRefusedBecauseThereAreNoAccounts() throws Exception {
        Said said = launcher(Map.of("WISTEL_LISTEN", "0.0.0.0"), "start");
        assertThat(said.exit).isEqualTo(1);
        assertThat(said.text).contains("no accounts").contains("loopback only");
    }
}
