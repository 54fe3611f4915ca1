// What paints without a window.
#pragma once

#include <QGuiApplication>
#include <QPainter>
#include <QSize>
#include <QString>

#include <functional>
#include <memory>
#include <string>

namespace lariat {

/// Painting needs fonts, and those an application; where there is none, one for as long as it is held.
std::unique_ptr<QGuiApplication> applicationForPainting();
/// A picture of that size as SVG, painted.
std::string svgOf(QSize size, const QString& title, const std::function<void(QPainter&)>& paint);

} // namespace lariat
