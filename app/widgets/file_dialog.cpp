#include "widgets/file_dialog.h"

#include <QCoreApplication>
#include <QFileDialog>
#include <QFileInfo>
#include <QMessageBox>

#include <algorithm>

namespace lariat {

QString withEnding(const QString& file, const QStringList& endings) {
    const bool has =
        std::ranges::any_of(endings, [&](const QString& ending) { return file.endsWith(ending, Qt::CaseInsensitive); });
    return has ? file : file + endings.first();
}

QString askWhereToSave(QWidget* parent, const QString& title, const QString& proposed, const QString& filter,
                       const QStringList& endings) {
    QString name = proposed;
    for (;;) {
        QFileDialog dialog(parent, title, QFileInfo(name).path(), filter);
        dialog.setAcceptMode(QFileDialog::AcceptSave);
        dialog.setFileMode(QFileDialog::AnyFile);
        dialog.setOption(QFileDialog::DontConfirmOverwrite); // it would ask about the name without its ending
        dialog.selectFile(QFileInfo(name).fileName());
        if (dialog.exec() != QDialog::Accepted || dialog.selectedFiles().isEmpty()) return {};
        name = withEnding(dialog.selectedFiles().first(), endings);
        if (!QFileInfo::exists(name)) return name;
        const auto answer = QMessageBox::question(
            parent, title,
            QCoreApplication::translate("lariat", "%1 is there already. Is it to be replaced?").arg(name),
            QMessageBox::Yes | QMessageBox::No | QMessageBox::Cancel, QMessageBox::No);
        if (answer == QMessageBox::Yes) return name;
        if (answer != QMessageBox::No) return {};
    }
}

} // namespace lariat
