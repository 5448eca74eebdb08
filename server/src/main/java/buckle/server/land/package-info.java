/** Clients, properties and what lies on them. */
@NullMarked
package buckle.server.land;

import org.jspecify.annotations.NullMarked;
