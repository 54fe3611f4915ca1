#include "look/trace_image.h"

#include <algorithm>
#include <cmath>

namespace lariat {
namespace {

constexpr int kHatch = 5; ///< pixels from line to line

class Raster {
  public:
    Raster(QImage& image, const QColor& colour)
        : bits_(reinterpret_cast<QRgb*>(image.bits())), stride_(image.bytesPerLine() / 4), height_(image.height()),
          colour_(colour.rgb()), solid_(qRgb(colour.red(), colour.green(), colour.blue())) {}

    /// Lays `coverage` (0…1) of the colour over a pixel.
    void put(int x, int y, float coverage) {
        QRgb& pixel = bits_[y * stride_ + x];
        const int alpha = std::max(qAlpha(pixel), static_cast<int>(255.0f * coverage));
        pixel = alpha > 253 ? solid_ : qPremultiply(qRgba(qRed(colour_), qGreen(colour_), qBlue(colour_), alpha));
    }
    /// Fills column x from `top` to `bottom`, in pixels with fractions.
    void fill(int x, float top, float bottom, float coverage) {
        const int first = std::max(0, static_cast<int>(std::floor(top)));
        const int last = std::min(height_ - 1, static_cast<int>(std::ceil(bottom)) - 1);
        for (int y = first; y <= last; ++y) {
            const float inside = std::min(bottom, static_cast<float>(y + 1)) - std::max(top, static_cast<float>(y));
            if (inside > 0.0f) put(x, y, coverage * inside);
        }
    }
    void hatch(int x, float top, float bottom, int scale) {
        const int last = std::min(height_, static_cast<int>(std::lround(bottom)));
        for (int y = std::max(0, static_cast<int>(std::lround(top))); y < last; ++y)
            if ((x + y) / scale % kHatch == 0) put(x, y, 0.9f);
    }

  private:
    QRgb* bits_;
    qsizetype stride_;
    int height_;
    QRgb colour_;
    QRgb solid_;
};

float thickness(SignalKind kind) {
    return kind == SignalKind::Pitch ? 1.25f : 0.6f;
}

} // namespace

QImage traceImage(QSize size, std::span<const MinMax> columns, VoltRange range, SignalKind kind, const QColor& colour,
                  float scale) {
    QImage image(size, QImage::Format_ARGB32_Premultiplied);
    image.fill(Qt::transparent);
    if (size.isEmpty() || columns.size() < 2) return image;
    Raster raster(image, colour);
    const auto height = static_cast<float>(size.height());
    const auto y = [&](float volts) {
        return (range.high - std::clamp(volts, range.low, range.high)) / (range.high - range.low) * height;
    };
    const float half = scale * thickness(kind);
    const float ground = y(0.0f);
    float previousTop = y(columns[0].max);
    float previousBottom = y(columns[0].min);
    for (int x = 0; x < size.width(); ++x) {
        const MinMax& column = columns[std::min(columns.size() - 1, static_cast<std::size_t>(x) * columns.size() /
                                                                        static_cast<std::size_t>(size.width()))];
        const float top = y(column.max);
        const float bottom = y(column.min);
        const float middle = 0.5f * (top + bottom);
        switch (kind) {
        case SignalKind::Gate:
            raster.fill(x, std::min(middle, ground), std::max(middle, ground), 0.78f);
            break;
        case SignalKind::Control:
            raster.fill(x, std::min(middle, ground), std::max(middle, ground), 0.18f);
            break;
        case SignalKind::Clock:
            raster.hatch(x, std::min(middle, ground), std::max(middle, ground), std::max(1, static_cast<int>(scale)));
            break;
        case SignalKind::Audio:
        case SignalKind::Pitch:
            break;
        }
        // The line runs on from where the column before has ended.
        raster.fill(x, std::clamp(std::min(top, previousBottom) - half, 0.0f, height - 2 * half),
                    std::clamp(std::max(bottom, previousTop) + half, 2 * half, height), 1.0f);
        previousTop = top;
        previousBottom = bottom;
    }
    return image;
}

} // namespace lariat
