// How large everything in the window is.
#pragma once

namespace lariat {

/// The usual text of a desktop, in pixels on a screen of 96 dots an inch: 11 points.
inline constexpr double kUsualTextPixels = 15.0;

/// The factor for all that is drawn: the preferred one, or with 0 as much as the system's text is larger than usual, in
/// quarters, 1…3. Smaller system text makes nothing smaller: below 13 pixels nobody reads.
double interfaceScale(double preferred, double systemTextPixels);

/// Lets Qt draw everything at that factor; before the application is made. An outside wish (QT_SCALE_FACTOR) wins.
void prepareScale(int argc, char** argv);

} // namespace lariat
