// Text of the core for Qt, in the user's language where it has one.
#pragma once

#include "units/sentence.h"

#include <QCoreApplication>
#include <QString>
#include <QStringList>

#include <string>
#include <vector>

namespace lariat {

/// UTF-8 to QString; short, because nearly every label needs it.
inline QString q(const std::string& text) {
    return QString::fromStdString(text);
}

/// A sentence of the core in the user's language.
inline QString said(const Sentence& sentence) {
    if (sentence.empty()) return {};
    const QString pattern = QCoreApplication::translate("core", sentence.pattern.c_str());
    return q(fillIn(pattern.toStdString(), sentence.parts));
}

/// Several of them in one line.
inline QString said(const std::vector<Sentence>& sentences) {
    QStringList texts;
    for (const Sentence& sentence : sentences) texts << said(sentence);
    return texts.join(QStringLiteral(" · "));
}

} // namespace lariat
