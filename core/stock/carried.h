// What travels in a sheet: the patch with all it needs, as a bundle within HTML and SVG (a PDF has it attached).
#pragma once

#include "stock/bundle.h"

#include <string>
#include <string_view>

namespace lariat {

/// The bundle as an element that neither shows nor runs, for the end of a page of HTML or within an SVG.
std::string carriedInHtml(const std::string& bundle);
std::string carriedInSvg(const std::string& bundle);
/// The bundle in such a text; empty if there is none. Fails, saying what, if it is there and broken.
Result<std::string> carriedIn(std::string_view text);

/// What carriedIn, or a PDF, gave as a bundle; fails too where nothing was in it.
Result<Bundle> bundleCarried(const Result<std::string>& bytes);

/// A bundle as bytes, and back.
Result<std::string> bundleBytes(const Bundle& bundle);
Result<Bundle> readBundleBytes(const std::string& bytes);

} // namespace lariat
