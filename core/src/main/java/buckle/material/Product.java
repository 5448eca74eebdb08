package buckle.material;

import buckle.rulebook.Values;
import java.util.Locale;
import java.util.OptionalDouble;

/** What can be bought or stands in the yard. */
public sealed interface Product {
    /** The same for good: {@code post.timber-140.2400}, lengths in millimetres. */
    String id();

    /** Wire, tape, rope or net, by the metre. */
    record WireOf(Conductor conductor) implements Product {
        @Override
        public String id() {
            return "wire." + key(conductor);
        }
    }

    /** A post of a stock and the length it is sold in. */
    record PostOf(PostStock stock, double lengthM) implements Product {
        @Override
        public String id() {
            return "post." + key(stock) + "." + mm(lengthM);
        }
    }

    /** A rail of an H brace. */
    record Rail(double lengthM) implements Product {
        @Override
        public String id() {
            return "rail." + mm(lengthM);
        }
    }

    /** An insulator that holds a passing wire on a post of a family. */
    record LineInsulator(PostStock.Family family, Hazard hazard) implements Product {
        @Override
        public String id() {
            return "insulator." + key(family) + "." + key(hazard);
        }
    }

    /** A ground rod, or what serves as one. */
    record GroundRod(EarthKind kind, double lengthM) implements Product {
        @Override
        public String id() {
            return (kind == EarthKind.ROD ? "ground-rod." : "earth." + key(kind) + ".") + mm(lengthM);
        }
    }

    /** A 12 V battery. */
    record Battery(double ah) implements Product {
        @Override
        public String id() {
            return "battery." + Math.round(ah * 10);
        }
    }

    /** A solar panel for a 12 V battery. */
    record Panel(double watts) implements Product {
        @Override
        public String id() {
            return "panel." + Math.round(watts * 10);
        }
    }

    /** A gate leaf for an opening. */
    record Leaf(Fitting kind, double openingM) implements Product {
        @Override
        public String id() {
            return "fitting." + kind.id() + "." + mm(openingM);
        }
    }

    /** The energizer that was chosen. */
    record Energizer(String name) implements Product {
        @Override
        public String id() {
            return "energizer." + name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-");
        }
    }

    /** Mass of a piece or a metre, where it follows from the product itself. */
    default OptionalDouble unitKg() {
        return switch (this) {
            case WireOf w -> OptionalDouble.of(w.conductor().kgPerM());
            case PostOf p -> OptionalDouble.of(p.stock().kgPerM() * p.lengthM());
            case Piece p when p.fitting() == Fitting.CONCRETE_BAG -> OptionalDouble.of(Values.B6_BAG_KG);
            default -> OptionalDouble.empty();
        };
    }

    /** Anything of one kind. */
    record Piece(Fitting fitting) implements Product {
        @Override
        public String id() {
            return "fitting." + fitting.id();
        }
    }

    /** Of a fitting of which there is one kind. */
    static Product of(Fitting fitting) {
        return new Piece(fitting);
    }

    private static String key(Enum<?> kind) {
        return kind.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private static long mm(double lengthM) {
        return Math.round(lengthM * 1000);
    }
}
