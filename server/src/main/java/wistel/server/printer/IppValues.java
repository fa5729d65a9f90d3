package wistel.server.printer;

import com.hp.jipp.encoding.Attribute;
import com.hp.jipp.encoding.AttributeCollection;
import com.hp.jipp.encoding.AttributeGroup;
import com.hp.jipp.encoding.IntOrIntRange;
import com.hp.jipp.encoding.KeywordOrName;
import com.hp.jipp.encoding.Name;
import com.hp.jipp.encoding.OtherString;
import com.hp.jipp.encoding.Resolution;
import com.hp.jipp.encoding.ResolutionUnit;
import com.hp.jipp.encoding.Stringable;
import com.hp.jipp.encoding.Tag;
import com.hp.jipp.encoding.TaggedValue;
import com.hp.jipp.encoding.Text;
import com.hp.jipp.encoding.UnknownAttribute;
import com.hp.jipp.encoding.UntypedCollection;
import com.hp.jipp.encoding.UntypedEnum;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import kotlin.ranges.IntRange;
import wistel.core.length.Range;
import wistel.core.printer.ValueSet;

/** Attributes and their values, out of IPP packets and into them. What makes no sense is left out, never thrown. */
final class IppValues {
    private static final int LONGEST_TEXT = 1023;

    private IppValues() {
    }

    // --- reading ---

    static List<Object> all(AttributeGroup group, String name) {
        Attribute<?> attribute = group.get(name);
        return attribute == null ? List.of() : List.copyOf(attribute);
    }

    static Optional<Object> value(AttributeGroup group, String name) {
        return all(group, name).stream().findFirst();
    }

    static List<String> strings(AttributeGroup group, String name) {
        return all(group, name).stream().map(IppValues::plain).toList();
    }

    static String first(AttributeGroup group, String name) {
        return value(group, name).map(IppValues::plain).orElse("");
    }

    static List<AttributeCollection> collections(AttributeGroup group, String name) {
        return collections(all(group, name));
    }

    static List<AttributeCollection> collections(List<?> values) {
        return values.stream().filter(AttributeCollection.class::isInstance).map(AttributeCollection.class::cast).toList();
    }

    static Optional<Object> member(AttributeCollection collection, String name) {
        return collection.getAttributes().stream().filter(a -> a.getName().equals(name) && !a.isEmpty()).<Object>map(a -> a.get(0))
            .findFirst();
    }

    static Optional<Integer> whole(Object value) {
        return value instanceof Integer i ? Optional.of(i)
            : value instanceof IntOrIntRange r && r.getSimpleInt() ? Optional.of(r.getStart()) : Optional.empty();
    }

    /** Both ends of a range of whole numbers, or a single one twice; empty for an inverted one. */
    static Optional<ValueSet.Span> span(Object value) {
        if (value instanceof IntOrIntRange r && !r.getSimpleInt()) {
            return span(r.getStart(), r.getEndInclusive());
        }
        return value instanceof IntRange r ? span(r.getFirst(), r.getLast()) : whole(value).map(v -> new ValueSet.Span(v, v));
    }

    private static Optional<ValueSet.Span> span(int from, int to) {
        return to >= from ? Optional.of(new ValueSet.Span(from, to)) : Optional.empty();
    }

    /** Lengths in hundredths of a millimetre, 0 for none. */
    static Optional<Range> lengths(Object value) {
        return span(value).filter(s -> s.from() >= 0 && s.to() > 0).map(s -> new Range(s.from() / 100.0, s.to() / 100.0));
    }

    static int number(Object value) {
        return value instanceof Number n ? n.intValue() : value instanceof com.hp.jipp.encoding.Enum e ? e.getCode() : 0;
    }

    /** A text without what no database and no screen takes, of a length that IPP allows. */
    static String plain(Object value) {
        String text = value instanceof Stringable s ? s.asString()
            : value instanceof TaggedValue t ? String.valueOf(t.getValue()) : String.valueOf(value);
        String clean = text.replaceAll("\\p{Cntrl}", "");
        return clean.length() > LONGEST_TEXT ? clean.substring(0, LONGEST_TEXT) : clean;
    }

    /** As settings have it: numbers and enums in decimals, a square resolution in dpi; empty for what can't be one. */
    static Optional<String> setting(Object value) {
        if (value instanceof Resolution r) {
            return r.getX() == r.getY() && r.getX() > 0 && r.getUnit().getCode() == ResolutionUnit.dotsPerInch.getCode()
                ? Optional.of(Integer.toString(r.getX())) : Optional.empty();
        }
        if (value instanceof com.hp.jipp.encoding.Enum e) {
            return Optional.of(Integer.toString(e.getCode()));
        }
        if (value instanceof Boolean b) {
            return Optional.of(b.toString());
        }
        return whole(value).map(i -> Integer.toString(i))
            .or(() -> value instanceof AttributeCollection || value instanceof byte[] || value instanceof IntRange
                || value instanceof IntOrIntRange
                    ? Optional.empty() : Optional.of(plain(value)));
    }

    static ValueSet values(List<?> values) {
        List<String> single = values.stream().map(IppValues::setting).flatMap(Optional::stream).toList();
        List<ValueSet.Span> spans = values.stream().filter(v -> whole(v).isEmpty()).map(IppValues::span).flatMap(Optional::stream).toList();
        return new ValueSet(syntax(values.isEmpty() ? "" : values.get(0)), single, spans);
    }

    private static ValueSet.Syntax syntax(Object value) {
        if (value instanceof Resolution) {
            return ValueSet.Syntax.RESOLUTION;
        }
        if (value instanceof com.hp.jipp.encoding.Enum) {
            return ValueSet.Syntax.ENUM;
        }
        if (value instanceof Boolean) {
            return ValueSet.Syntax.BOOLEAN;
        }
        if (span(value).isPresent() || value instanceof IntRange || value instanceof IntOrIntRange) {
            return ValueSet.Syntax.INTEGER;
        }
        return value instanceof Name ? ValueSet.Syntax.NAME : value instanceof Text ? ValueSet.Syntax.TEXT : ValueSet.Syntax.KEYWORD;
    }

    // --- writing ---

    static Attribute<?> ints(String name, int value) {
        return new UnknownAttribute(name, List.of(value));
    }

    static Attribute<?> keywords(String name, String... values) {
        return new UnknownAttribute(name, Arrays.stream(values).map(v -> (Object) new KeywordOrName(v)).toList());
    }

    static Attribute<?> enums(String name, int value) {
        return new UnknownAttribute(name, List.of(new UntypedEnum(value)));
    }

    static Attribute<?> mime(String name, String value) {
        return new UnknownAttribute(name, List.of(new OtherString(Tag.mimeMediaType, value)));
    }

    static Attribute<?> collection(String name, List<Attribute<?>> members) {
        return new UnknownAttribute(name, List.of(new UntypedCollection(members)));
    }

    /** A setting's value in its syntax; empty when it has another one. */
    static Optional<Attribute<?>> setting(String name, String value, ValueSet.Syntax syntax) {
        boolean number = value.matches("-?\\d{1,9}");
        Object sent = switch (syntax) {
            case KEYWORD -> new KeywordOrName(value);
            case NAME -> new Name(value);
            case TEXT -> new Text(value);
            case ENUM -> number ? new UntypedEnum(Integer.parseInt(value)) : null;
            case INTEGER -> number ? Integer.valueOf(value) : null;
            case BOOLEAN -> Boolean.valueOf(value);
            case RESOLUTION -> number ? new Resolution(Integer.parseInt(value), Integer.parseInt(value), ResolutionUnit.dotsPerInch) : null;
        };
        return Optional.ofNullable(sent).map(s -> new UnknownAttribute(name, List.of(s)));
    }
}
