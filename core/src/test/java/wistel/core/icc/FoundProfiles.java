package wistel.core.icc;

import java.awt.color.ColorSpace;
import java.awt.color.ICC_Profile;
import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.jar.JarFile;
import java.util.stream.Stream;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.StandardSpaces;

/** Every profile on hand: in the libraries on the tests' class path, in the JDK, in the demo, and made by the tests. */
public final class FoundProfiles {
    private FoundProfiles() {
    }

    /** File bytes by a name for messages. */
    public static Map<String, byte[]> files() {
        return Held.FILES;
    }

    /** Those that describe a device of this colour space, read. */
    public static List<IccProfile> devices(String space) {
        return files().values().stream().map(ProfileReader::read).filter(p -> p.space().name().equals(space)).distinct().toList();
    }

    /** The one real offset press among them: four inks, version 2, tables of eleven nodes a side. */
    public static IccProfile press() {
        return devices("CMYK").stream().filter(p -> p.isOutput() && p.bytes().length > 500_000).findFirst().orElseThrow();
    }

    /** The file of this name. */
    public static IccProfile named(String file) {
        return ProfileReader.read(files().get(file));
    }

    private static final class Held {
        private static final Map<String, byte[]> FILES = found();
    }

    private static Map<String, byte[]> found() {
        Map<String, byte[]> found = new LinkedHashMap<>();
        try {
            for (String entry : System.getProperty("surefire.test.class.path", System.getProperty("java.class.path"))
                .split(File.pathSeparator)) {
                if (entry.endsWith(".jar") && Files.exists(Path.of(entry))) {
                    inJar(entry, found);
                }
            }
            for (int space : new int[] {ColorSpace.CS_sRGB, ColorSpace.CS_LINEAR_RGB, ColorSpace.CS_GRAY}) {
                found.put("JDK " + space, ICC_Profile.getInstance(space).getData());
            }
            try (Stream<Path> demo = Files.list(Path.of("../demo/profiles"))) {
                for (Path file : demo.filter(f -> f.toString().endsWith(".icc")).sorted().toList()) {
                    found.put(file.getFileName().toString(), Files.readAllBytes(file));
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        found.put("sRGB", StandardSpaces.SRGB.bytes());
        found.put("wide RGB", StandardSpaces.WIDE_RGB.bytes());
        found.put("gray 2.2", StandardSpaces.GRAY_22.bytes());
        found.put("made printer", MadeProfiles.printer().bytes());
        return found;
    }

    private static void inJar(String jar, Map<String, byte[]> found) throws IOException {
        try (JarFile file = new JarFile(jar)) {
            for (var entry : file.stream().filter(e -> e.getName().matches(".*\\.(icc|icm|pf)")).toList()) {
                found.put(entry.getName(), file.getInputStream(entry).readAllBytes());
            }
        }
    }
}
