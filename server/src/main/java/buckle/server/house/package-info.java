/** The house's way, revision by revision. */
@NullMarked
package buckle.server.house;

import org.jspecify.annotations.NullMarked;
