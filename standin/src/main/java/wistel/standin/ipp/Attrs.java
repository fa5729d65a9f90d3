package wistel.standin.ipp;

import com.hp.jipp.encoding.Attribute;
import com.hp.jipp.encoding.EmptyAttribute;
import com.hp.jipp.encoding.IntOrIntRange;
import com.hp.jipp.encoding.KeywordOrName;
import com.hp.jipp.encoding.Name;
import com.hp.jipp.encoding.OtherString;
import com.hp.jipp.encoding.Resolution;
import com.hp.jipp.encoding.ResolutionUnit;
import com.hp.jipp.encoding.Tag;
import com.hp.jipp.encoding.Text;
import com.hp.jipp.encoding.UnknownAttribute;
import com.hp.jipp.encoding.UntypedCollection;
import com.hp.jipp.encoding.UntypedEnum;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Arrays;
import java.util.Calendar;
import java.util.List;
import java.util.TimeZone;

/** Attributes by name and value, in the value's IPP syntax. */
final class Attrs {
    private Attrs() {
    }

    static Attribute<?> keywords(String name, List<String> values) {
        return new UnknownAttribute(name, values.stream().map(v -> (Object) new KeywordOrName(v)).toList());
    }

    static Attribute<?> keyword(String name, String... values) {
        return keywords(name, Arrays.asList(values));
    }

    static Attribute<?> ints(String name, List<Integer> values) {
        return new UnknownAttribute(name, List.copyOf(values));
    }

    static Attribute<?> integer(String name, int... values) {
        return ints(name, Arrays.stream(values).boxed().toList());
    }

    static Attribute<?> enums(String name, int... values) {
        return new UnknownAttribute(name, Arrays.stream(values).mapToObj(v -> (Object) new UntypedEnum(v)).toList());
    }

    static Attribute<?> bool(String name, boolean value) {
        return new UnknownAttribute(name, List.of(value));
    }

    static Attribute<?> range(String name, int from, int to) {
        return new UnknownAttribute(name, List.of(new IntOrIntRange(from, to)));
    }

    static Attribute<?> uri(String name, String value) {
        return new UnknownAttribute(name, List.of(URI.create(value)));
    }

    static Attribute<?> text(String name, String... values) {
        return new UnknownAttribute(name, Arrays.stream(values).map(v -> (Object) new Text(v)).toList());
    }

    static Attribute<?> name(String name, String value) {
        return new UnknownAttribute(name, List.of(new Name(value)));
    }

    static Attribute<?> charset(String name, String value) {
        return new UnknownAttribute(name, List.of(new OtherString(Tag.charset, value)));
    }

    static Attribute<?> language(String name, String value) {
        return new UnknownAttribute(name, List.of(new OtherString(Tag.naturalLanguage, value)));
    }

    static Attribute<?> mime(String name, String... values) {
        return new UnknownAttribute(name, Arrays.stream(values).map(v -> (Object) new OtherString(Tag.mimeMediaType, v)).toList());
    }

    static Attribute<?> dpi(String name, int... values) {
        return new UnknownAttribute(name,
            Arrays.stream(values).mapToObj(v -> (Object) new Resolution(v, v, ResolutionUnit.dotsPerInch)).toList());
    }

    static Attribute<?> octets(String name, String... values) {
        return new UnknownAttribute(name, Arrays.stream(values).map(v -> (Object) v.getBytes(StandardCharsets.US_ASCII)).toList());
    }

    static Attribute<?> time(String name, Instant value) {
        Calendar calendar = Calendar.getInstance(TimeZone.getTimeZone("UTC"));
        calendar.setTimeInMillis(value.toEpochMilli());
        return new UnknownAttribute(name, List.of(calendar));
    }

    static Attribute<?> none(String name) {
        return new EmptyAttribute<>(name, Tag.noValue);
    }

    static Attribute<?> collections(String name, List<UntypedCollection> values) {
        return new UnknownAttribute(name, List.copyOf(values));
    }

    static UntypedCollection collection(Attribute<?>... members) {
        return new UntypedCollection(List.of(members));
    }
}
