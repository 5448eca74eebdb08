/** The application: HTTP in front, PostgreSQL behind, the core between. Holds no formula of the trade. */
@NullMarked
package buckle.server;

import org.jspecify.annotations.NullMarked;
