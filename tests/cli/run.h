// The command line as a program: what it says, and with which code it ends.
#pragma once

#include <QJsonDocument>
#include <QProcess>
#include <QString>
#include <QStringList>

namespace lariat::test {

inline const QString kLamp = QStringLiteral(LARIAT_SOURCE "/data/demo/lamp.json");

/// What the command line said.
struct Answer {
    int code = -1;
    QString out;
    QString err;
    [[nodiscard]] QJsonDocument json() const { return QJsonDocument::fromJson(out.toUtf8()); }
};

inline Answer run(const QStringList& arguments) {
    QProcess process;
    process.start(QStringLiteral(LARIAT_CLI), arguments);
    if (!process.waitForFinished(120'000)) return {};
    return {process.exitCode(), QString::fromUtf8(process.readAllStandardOutput()),
            QString::fromUtf8(process.readAllStandardError())};
}

} // namespace lariat::test
