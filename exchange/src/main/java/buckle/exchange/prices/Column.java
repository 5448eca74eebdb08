package buckle.exchange.prices;

import java.util.List;
import java.util.Locale;

/** Columns of a price list, with the names they are known by. */
public enum Column {
    CODE("code", "code", "item", "item code", "sku", "part", "part no", "part number", "article", "no"),
    DESCRIPTION("description", "description", "name", "text", "item name", "product name"),
    UNIT("unit", "unit", "uom", "sold by"),
    PRODUCT("product", "product", "serves as", "used for"),
    SUBSTITUTE_FOR("substitute_for", "substitute_for", "substitute for", "substitutes"),
    UNIT_KG("unit_kg", "unit_kg", "kg", "mass", "weight", "weight kg", "unit kg"),
    LIFE_YEARS("life_years", "life_years", "life", "service life", "years"),
    SUPPLIER("supplier", "supplier", "vendor", "yard"),
    PACK("pack", "pack", "pack name", "packaging"),
    PACK_SIZE("pack_size", "pack_size", "pack size", "per pack", "size", "qty per pack", "content"),
    PRICE("price", "price", "unit price", "pack price", "cost", "net price"),
    CURRENCY("currency", "currency", "cur"),
    FROM_PACKS("from_packs", "from_packs", "from", "min qty", "from packs", "break"),
    DATE("date", "date", "price date", "valid from", "as of"),
    TAX_CLASS("tax_class", "tax_class", "tax class", "tax", "vat");

    private final String header;
    private final List<String> names;

    Column(String header, String... names) {
        this.header = header;
        this.names = List.of(names);
    }

    /** As Buckle writes it. */
    public String header() {
        return header;
    }

    /** Where it stands in a header; −1 when nothing there is called so. */
    int in(List<String> header) {
        for (String name : names) {
            for (int i = 0; i < header.size(); i++) {
                if (header.get(i).strip().toLowerCase(Locale.ROOT).equals(name)) {
                    return i;
                }
            }
        }
        return -1;
    }
}
