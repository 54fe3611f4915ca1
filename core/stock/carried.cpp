#include "stock/carried.h"

#include "model/file.h"

#include <boost/beast/core/detail/base64.hpp>

namespace lariat {
namespace {

constexpr std::string_view kBegin = "lariat-bundle-base64:";
constexpr std::string_view kEnd = ":end-of-lariat-bundle";
constexpr std::size_t kLineLength = 120;

std::string wrapped(const std::string& bundle) {
    namespace base64 = boost::beast::detail::base64;
    std::string plain(base64::encoded_size(bundle.size()), '\0');
    plain.resize(base64::encode(plain.data(), bundle.data(), bundle.size()));
    std::string out(kBegin);
    for (std::size_t at = 0; at < plain.size(); at += kLineLength) out += "\n" + plain.substr(at, kLineLength);
    out += "\n";
    return out.append(kEnd);
}

} // namespace

std::string carriedInHtml(const std::string& bundle) {
    return bundle.empty() ? std::string()
                          : "<script type=\"text/plain\" id=\"lariat\">" + wrapped(bundle) + "</script>\n";
}

std::string carriedInSvg(const std::string& bundle) {
    return bundle.empty() ? std::string() : "<metadata>" + wrapped(bundle) + "</metadata>\n";
}

Result<std::string> carriedIn(std::string_view text) {
    namespace base64 = boost::beast::detail::base64;
    const auto begin = text.find(kBegin);
    if (begin == std::string_view::npos) return std::string();
    const auto from = begin + kBegin.size();
    const auto end = text.find(kEnd, from);
    if (end == std::string_view::npos) return failure(say("the patch in it is cut short"));
    if (end - from > kMostBundled * 3 / 2) return failure(say("the patch in it is too large"));
    std::string plain;
    for (const char c : text.substr(from, end - from))
        if (c != '\n' && c != '\r' && c != ' ' && c != '\t') plain += c;
    while (!plain.empty() && plain.back() == '=') plain.pop_back();
    std::string out(base64::decoded_size(plain.size() + 4), '\0');
    const auto [written, read] = base64::decode(out.data(), plain.data(), plain.size());
    if (read != plain.size()) return failure(say("the patch in it is damaged"));
    out.resize(written);
    return out;
}

Result<Bundle> bundleCarried(const Result<std::string>& bytes) {
    if (!bytes) return tl::unexpected(bytes.error());
    if (bytes->empty()) return failure(say("no patch travels in it; it was written without, or by something else"));
    return readBundleBytes(*bytes);
}

Result<std::string> bundleBytes(const Bundle& bundle) {
    const ScratchFile scratch("zip");
    if (auto written = writeBundle(bundle, scratch.path()); !written) return tl::unexpected(written.error());
    return readFile(scratch.path());
}

Result<Bundle> readBundleBytes(const std::string& bytes) {
    const ScratchFile scratch("zip");
    if (auto written = writeFile(scratch.path(), bytes, FileKind::Document); !written)
        return tl::unexpected(written.error());
    auto read = readBundle(scratch.path());
    if (!read) {
        Error error = read.error();
        error.file.clear();
        return tl::unexpected(std::move(error));
    }
    return read;
}

} // namespace lariat
