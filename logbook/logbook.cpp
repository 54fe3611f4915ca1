#include "logbook/logbook.h"

#include "logbook/schema.h"

#include "library/check.h"
#include "library/workspace.h"

#include <QCryptographicHash>
#include <QDateTime>
#include <QFileInfo>
#include <QSqlDatabase>
#include <QSqlError>
#include <QSqlQuery>
#include <QStringList>
#include <QUrl>
#include <QVariant>

#include <algorithm>
#include <array>
#include <atomic>
#include <bit>
#include <cstring>
#include <fstream>

namespace lariat {
namespace fs = std::filesystem;
namespace {

constexpr std::int64_t kKeptMs = 24LL * 60 * 60 * 1000; ///< what is thrown away can be taken back so long at least
constexpr const char* kKinds[] = {"by-hand",  "before-plan", "before-reading", "before-return",
                                  "recorded", "brought",     "caught"};
/// What is looked through at each start; the rest, which grows with the sounds, when `check` is asked for.
constexpr const char* kQuicklyChecked[] = {"take", "figure", "tag", "rig"};

QVariant big(std::int64_t number) {
    return QVariant::fromValue<qlonglong>(number);
}

QString q(const std::string& text) {
    return QString::fromStdString(text);
}

/// What the database said, as a sentence with a way on.
Sentence sentenceOf(const QSqlError& error) {
    const QString code = error.nativeErrorCode();
    if (code == QLatin1String("13")) return say("the disk is full; nothing of it was written");
    if (code == QLatin1String("8") || code.startsWith(QLatin1String("264")) || code == QLatin1String("1544"))
        return say("the log cannot be written there: it stands on a disk that is read-only");
    if (code == QLatin1String("5") || code == QLatin1String("6"))
        return say("another program holds the log; close that, or try again");
    if (code == QLatin1String("11") || code == QLatin1String("26"))
        return say("the file is damaged or no log; move it away to begin a new one");
    if (code == QLatin1String("14")) return say("the file cannot be opened; look at its folder and its rights");
    return plain(error.databaseText().toStdString());
}

tl::unexpected<Error> failed(const fs::path& file, const QSqlError& error) {
    return tl::unexpected(Error{file.string(), {}, sentenceOf(error)});
}

/// A statement with its values, run.
class Statement {
  public:
    Statement(const std::string& connection, const QString& text)
        : query_(QSqlDatabase::database(QString::fromStdString(connection), false)) {
        query_.setForwardOnly(true);
        ok_ = query_.prepare(text);
    }
    Statement& operator<<(const QVariant& value) {
        query_.addBindValue(value);
        return *this;
    }
    bool run() { return ok_ && query_.exec(); }
    bool next() { return query_.next(); }
    [[nodiscard]] QVariant value(int column) const { return query_.value(column); }
    [[nodiscard]] std::int64_t number(int column) const { return query_.value(column).toLongLong(); }
    [[nodiscard]] std::string text(int column) const { return query_.value(column).toString().toStdString(); }
    [[nodiscard]] QSqlError error() const { return query_.lastError(); }
    [[nodiscard]] QVariant lastId() const { return query_.lastInsertId(); }
    [[nodiscard]] int changed() const { return query_.numRowsAffected(); }

  private:
    QSqlQuery query_;
    bool ok_;
};

/// All of it or nothing: what is not committed is rolled back.
class Transaction {
  public:
    explicit Transaction(const std::string& connection) : connection_(connection) {
        // At once, so that two programs wait for one another instead of failing in the middle.
        Statement begin(connection_, QStringLiteral("BEGIN IMMEDIATE"));
        open_ = begin.run();
        error_ = begin.error();
    }
    ~Transaction() {
        if (open_) Statement(connection_, QStringLiteral("ROLLBACK")).run();
    }
    Transaction(const Transaction&) = delete;
    Transaction& operator=(const Transaction&) = delete;
    [[nodiscard]] bool isOpen() const { return open_; }
    bool commit() {
        Statement end(connection_, QStringLiteral("COMMIT"));
        const bool done = end.run();
        error_ = end.error();
        if (done) open_ = false;
        return done;
    }
    [[nodiscard]] const QSqlError& error() const { return error_; }

  private:
    std::string connection_;
    bool open_ = false;
    QSqlError error_;
};

QString hashOf(const std::string& text) {
    return QString::fromLatin1(
        QCryptographicHash::hash(QByteArrayView(text.data(), static_cast<qsizetype>(text.size())),
                                 QCryptographicHash::Sha256)
            .toHex());
}

QByteArray bytesOf(const Thumb& thumb) {
    QByteArray out;
    for (const Thumb::Column& column : thumb.outline) {
        out.append(std::bit_cast<char>(column.low));
        out.append(std::bit_cast<char>(column.high));
    }
    for (const std::uint8_t band : thumb.bands) out.append(std::bit_cast<char>(band));
    return out;
}

Thumb thumbOf(const QByteArray& bytes) {
    Thumb out;
    if (bytes.size() != static_cast<qsizetype>(2 * kThumbColumns + kThumbBands)) return out;
    qsizetype at = 0;
    for (Thumb::Column& column : out.outline) {
        column.low = std::bit_cast<std::int8_t>(bytes[at++]);
        column.high = std::bit_cast<std::int8_t>(bytes[at++]);
    }
    for (std::uint8_t& band : out.bands) band = std::bit_cast<std::uint8_t>(bytes[at++]);
    return out;
}

TakeKind kindOf(const std::string& word) {
    const auto* found = std::ranges::find(kKinds, word);
    return found == std::end(kKinds) ? TakeKind::Brought : static_cast<TakeKind>(found - kKinds);
}

std::int64_t now() {
    return QDateTime::currentMSecsSinceEpoch();
}

constexpr const char* kLineColumns = "t.id, t.parent, t.at, t.kind, t.name, t.notes, t.rating, t.title, t.thumb,"
                                     " (SELECT group_concat(tag, ' ') FROM tag WHERE tag.take = t.id),"
                                     " EXISTS (SELECT 1 FROM sound WHERE sound.take = t.id)";

TakeLine lineOf(const Statement& row) {
    TakeLine out{.id = row.number(0), .parent = row.number(1), .at = row.number(2), .kind = kindOf(row.text(3))};
    out.label = {row.text(4), row.text(5), {}, static_cast<int>(row.number(6))};
    out.title = row.text(7);
    out.thumb = thumbOf(row.value(8).toByteArray());
    for (const QString& tag : row.value(9).toString().split(QLatin1Char(' '), Qt::SkipEmptyParts))
        out.label.tags.push_back(tag.toStdString());
    out.hasSound = row.number(10) != 0;
    return out;
}

/// A word as FTS5 takes it: quoted, and as the beginning of one.
QString prefixOf(const std::string& word) {
    return QLatin1Char('"') + q(word).replace(QLatin1Char('"'), QLatin1String("\"\"")) + QLatin1String("\"*");
}

} // namespace

Logbook::Logbook(fs::path file, std::string connection, bool readOnly) noexcept
    : file_(std::move(file)), connection_(std::move(connection)), readOnly_(readOnly) {}

Logbook::Logbook(Logbook&& other) noexcept
    : file_(std::move(other.file_)), connection_(std::exchange(other.connection_, {})), readOnly_(other.readOnly_) {}

Logbook& Logbook::operator=(Logbook&& other) noexcept {
    close();
    file_ = std::move(other.file_);
    connection_ = std::exchange(other.connection_, {});
    readOnly_ = other.readOnly_;
    return *this;
}

Logbook::~Logbook() {
    close();
}

void Logbook::close() {
    if (connection_.empty()) return;
    QSqlDatabase::database(q(connection_), false).close();
    QSqlDatabase::removeDatabase(q(connection_));
    connection_.clear();
}

Result<Logbook> Logbook::open(const fs::path& file) {
    static std::atomic<int> count{0};
    if (!QSqlDatabase::isDriverAvailable(QStringLiteral("QSQLITE")))
        return tl::unexpected(
            Error{file.string(), {}, say("the log needs Qt's driver for SQLite: install libqt6sql6-sqlite")});
    std::error_code problem;
    fs::create_directories(file.parent_path(), problem);
    const QFileInfo info(q(file.string()));
    if (info.isDir())
        return tl::unexpected(Error{file.string(), {}, say("is no file, but a folder, a device or a pipe")});
    if (info.exists() && info.size() > 0) { // SQLite would wait for more of a short one
        std::ifstream in(file, std::ios::binary);
        std::array<char, 16> head{};
        if (!in.read(head.data(), head.size()) || std::memcmp(head.data(), "SQLite format 3", 16) != 0)
            return tl::unexpected(
                Error{file.string(), {}, say("the file is damaged or no log; move it away to begin a new one")});
    }
    const bool readOnly = info.exists() ? !info.isWritable() : !QFileInfo(info.path()).isWritable();
    if (readOnly && !info.exists())
        return tl::unexpected(
            Error{file.string(), {}, say("the file cannot be opened; look at its folder and its rights")});

    const std::string connection = fmt::format("log-{}", count++);
    Logbook log(file, connection, readOnly);
    {
        QSqlDatabase database = QSqlDatabase::addDatabase(QStringLiteral("QSQLITE"), q(connection));
        if (readOnly) { // without the files beside it that writing would need
            database.setDatabaseName(QStringLiteral("file:") +
                                     QString::fromUtf8(QUrl::toPercentEncoding(q(file.string()), "/")) +
                                     QStringLiteral("?immutable=1"));
            database.setConnectOptions(QStringLiteral("QSQLITE_OPEN_URI;QSQLITE_OPEN_READONLY"));
        } else {
            database.setDatabaseName(q(file.string()));
            database.setConnectOptions(QStringLiteral("QSQLITE_BUSY_TIMEOUT=5000"));
        }
        if (!database.open()) return failed(file, database.lastError());
    }
    if (auto prepared = log.prepare(); !prepared) return tl::unexpected(prepared.error());
    return log;
}

Result<void> Logbook::prepare() {
    const auto pragma = [&](const QString& text) -> Result<std::int64_t> {
        Statement statement(connection_, text);
        if (!statement.run()) return failed(file_, statement.error());
        return statement.next() ? statement.number(0) : 0;
    };
    const auto version = pragma(QStringLiteral("PRAGMA user_version"));
    if (!version) return tl::unexpected(version.error());
    if (*version > kLogVersion)
        return tl::unexpected(Error{file_.string(),
                                    {},
                                    say("a newer version of Lariat wrote this log (version {}, this one reads {}); it "
                                        "stays as it is",
                                        *version, kLogVersion)});
    const auto tables = pragma(QStringLiteral("SELECT count(*) FROM sqlite_master"));
    if (!tables) return tl::unexpected(tables.error());
    if (*version == 0 && *tables > 0)
        return tl::unexpected(
            Error{file_.string(), {}, say("the file is damaged or no log; move it away to begin a new one")});
    if (!readOnly_) {
        for (const char* setting :
             {"PRAGMA journal_mode = WAL", "PRAGMA synchronous = FULL", "PRAGMA foreign_keys = ON"})
            if (auto set = pragma(QString::fromLatin1(setting)); !set) return tl::unexpected(set.error());
        if (*version < kLogVersion)
            if (auto done = migrate(static_cast<int>(*version)); !done) return done;
    }
    for (const char* table : kQuicklyChecked) {
        Statement look(connection_, QStringLiteral("PRAGMA quick_check(%1)").arg(QLatin1String(table)));
        if (!look.run()) return failed(file_, look.error());
        if (look.next() && look.text(0) != "ok")
            return tl::unexpected(Error{
                file_.string(), {}, say("the log is damaged ({}); move it away to begin a new one", look.text(0))});
    }
    if (readOnly_) return {};
    Transaction purge(connection_);
    Statement gone(connection_, QStringLiteral("SELECT id FROM take WHERE thrown_away < ?"));
    gone << big(now() - kKeptMs);
    if (!purge.isOpen() || !gone.run()) return {}; // the next start does it
    std::vector<std::int64_t> ids;
    while (gone.next()) ids.push_back(gone.number(0));
    for (const std::int64_t id : ids) {
        for (const char* text : {"DELETE FROM words WHERE rowid = ?", "DELETE FROM take WHERE id = ?"}) {
            Statement remove(connection_, QString::fromLatin1(text));
            remove << big(id);
            if (!remove.run()) return {};
        }
    }
    purge.commit();
    return {};
}

Result<void> Logbook::migrate(int from) {
    if (from > 0) { // nothing that was there is changed before a copy of it stands beside it
        const fs::path copy = file_.string() + fmt::format("-before-{}", kLogVersion);
        std::error_code problem;
        fs::remove(copy, problem);
        Statement backup(connection_, QStringLiteral("VACUUM INTO ?"));
        backup << q(copy.string());
        if (!backup.run()) return failed(copy, backup.error());
    }
    Transaction all(connection_);
    if (!all.isOpen()) return failed(file_, all.error());
    // Another program may have done it while this one waited.
    Statement version(connection_, QStringLiteral("PRAGMA user_version"));
    if (version.run() && version.next()) from = static_cast<int>(version.number(0));
    for (int step = from; step < kLogVersion; ++step)
        for (const char* text : kSchemaSteps[static_cast<std::size_t>(step)]) {
            Statement make(connection_, QString::fromLatin1(text));
            if (!make.run()) return failed(file_, make.error());
        }
    Statement number(connection_, QStringLiteral("PRAGMA user_version = %1").arg(kLogVersion));
    if (!number.run()) return failed(file_, number.error());
    if (!all.commit()) return failed(file_, all.error());
    return {};
}

Result<std::int64_t> Logbook::add(const NewTake& take, const Library& library) {
    Transaction all(connection_);
    if (!all.isOpen()) return failed(file_, all.error());
    const std::string patch = writePatch(take.patch);
    const std::string rig = writeRig(take.rig);
    std::int64_t rigId = 0;
    {
        Statement there(connection_, QStringLiteral("SELECT id FROM rig WHERE hash = ?"));
        there << hashOf(rig);
        if (!there.run()) return failed(file_, there.error());
        if (there.next()) rigId = there.number(0);
    }
    if (rigId == 0) {
        Statement insert(connection_, QStringLiteral("INSERT INTO rig (hash, document) VALUES (?, ?)"));
        insert << hashOf(rig) << q(rig);
        if (!insert.run()) return failed(file_, insert.error());
        rigId = insert.lastId().toLongLong();
    }
    Statement line(connection_,
                   QStringLiteral("INSERT INTO take (parent, at, kind, name, notes, rating, title, patch_hash, thumb)"
                                  " VALUES (?, ?, ?, '', '', 0, ?, ?, ?)"));
    line << big(take.parent) << big(take.at) << QLatin1String(kKinds[static_cast<int>(take.kind)])
         << q(take.patch.title) << hashOf(patch) << bytesOf(take.thumb);
    if (!line.run()) return failed(file_, line.error());
    const std::int64_t id = line.lastId().toLongLong();
    Statement body(connection_, QStringLiteral("INSERT INTO body (take, patch, rig) VALUES (?, ?, ?)"));
    body << big(id) << q(patch) << big(rigId);
    if (!body.run()) return failed(file_, body.error());
    Statement words(connection_,
                    QStringLiteral("INSERT INTO words (rowid, name, notes, tags, patch) VALUES (?, '', '', '', ?)"));
    words << big(id) << q(searchWords(take.patch, library) + take.patch.caseId);
    if (!words.run()) return failed(file_, words.error());
    for (const auto& [name, value] : take.figures) {
        Statement figure(connection_, QStringLiteral("INSERT INTO figure (take, name, value) VALUES (?, ?, ?)"));
        figure << big(id) << q(name) << value;
        if (!figure.run()) return failed(file_, figure.error());
    }
    if (!take.sound.empty()) {
        Statement sound(connection_, QStringLiteral("INSERT INTO sound (take, flac) VALUES (?, ?)"));
        sound << big(id) << QByteArray(take.sound.data(), static_cast<qsizetype>(take.sound.size()));
        if (!sound.run()) return failed(file_, sound.error());
    }
    if (auto labelled = write(id, take.label); !labelled) return tl::unexpected(labelled.error());
    if (!all.commit()) return failed(file_, all.error());
    return id;
}

/// Within a transaction.
Result<void> Logbook::write(std::int64_t id, const TakeLabel& label) {
    Statement line(connection_, QStringLiteral("UPDATE take SET name = ?, notes = ?, rating = ? WHERE id = ?"));
    line << q(label.name) << q(label.notes) << std::clamp(label.rating, 0, 5) << big(id);
    if (!line.run()) return failed(file_, line.error());
    if (line.changed() == 0) return noTake(id);
    Statement clear(connection_, QStringLiteral("DELETE FROM tag WHERE take = ?"));
    clear << big(id);
    if (!clear.run()) return failed(file_, clear.error());
    QStringList tags;
    for (const std::string& tag : label.tags) {
        const QString clean =
            q(tag).toLower().remove(QLatin1Char('#')).simplified().replace(QLatin1Char(' '), QLatin1Char('-'));
        if (clean.isEmpty() || tags.contains(clean)) continue;
        tags << clean;
        Statement put(connection_, QStringLiteral("INSERT INTO tag (take, tag) VALUES (?, ?)"));
        put << big(id) << clean;
        if (!put.run()) return failed(file_, put.error());
    }
    Statement words(connection_, QStringLiteral("UPDATE words SET name = ?, notes = ?, tags = ? WHERE rowid = ?"));
    words << q(label.name) << q(label.notes) << tags.join(QLatin1Char(' ')) << big(id);
    if (!words.run()) return failed(file_, words.error());
    return {};
}

tl::unexpected<Error> Logbook::noTake(std::int64_t id) const {
    return tl::unexpected(Error{file_.string(), {}, say("there is no take {}", id)});
}

Result<void> Logbook::label(std::int64_t id, const TakeLabel& label) {
    Transaction all(connection_);
    if (!all.isOpen()) return failed(file_, all.error());
    if (auto written = write(id, label); !written) return written;
    if (!all.commit()) return failed(file_, all.error());
    return {};
}

/// Runs one statement about a take.
Result<void> Logbook::change(const char* text, std::int64_t id) {
    Statement statement(connection_, QString::fromLatin1(text));
    statement << big(id);
    if (!statement.run()) return failed(file_, statement.error());
    if (statement.changed() == 0) return noTake(id);
    return {};
}

Result<void> Logbook::throwAway(std::int64_t id) {
    return change("UPDATE take SET thrown_away = CAST(strftime('%s', 'now') AS INTEGER) * 1000 WHERE id = ?", id);
}

Result<void> Logbook::takeBack(std::int64_t id) {
    return change("UPDATE take SET thrown_away = NULL WHERE id = ?", id);
}

Result<std::vector<TakeLine>> Logbook::list(const TakeQuery& query, std::size_t most) const {
    QString text = QStringLiteral("SELECT ") + QLatin1String(kLineColumns) +
                   QStringLiteral(" FROM take t WHERE t.thrown_away IS NULL");
    std::vector<QVariant> values;
    const auto where = [&](const QString& condition, std::initializer_list<QVariant> with) {
        text += QStringLiteral(" AND ") + condition;
        values.insert(values.end(), with);
    };
    if (!query.words.empty()) {
        QStringList words;
        for (const std::string& word : query.words) words << prefixOf(word);
        where(QStringLiteral("t.id IN (SELECT rowid FROM words WHERE words MATCH ?)"), {words.join(QLatin1Char(' '))});
    }
    for (const std::string& tag : query.tags)
        where(QStringLiteral("t.id IN (SELECT take FROM tag WHERE tag = ?)"), {q(tag)});
    for (const FigureRange& range : query.figures)
        where(QStringLiteral("t.id IN (SELECT take FROM figure WHERE name = ? AND value >= ? AND value <= ?)"),
              {q(range.figure), range.low, range.high});
    if (query.rating > 0) where(QStringLiteral("t.rating >= ?"), {query.rating});
    if (query.since) where(QStringLiteral("t.at >= ?"), {big(*query.since)});
    if (query.until) where(QStringLiteral("t.at < ?"), {big(*query.until)});
    if (query.sound) where(QStringLiteral("EXISTS (SELECT 1 FROM sound WHERE sound.take = t.id)"), {});
    text += QStringLiteral(" ORDER BY t.at DESC, t.id DESC LIMIT ?");
    Statement statement(connection_, text);
    for (const QVariant& value : values) statement << value;
    statement << QVariant::fromValue<qulonglong>(most);
    if (!statement.run()) return failed(file_, statement.error());
    std::vector<TakeLine> out;
    while (statement.next()) out.push_back(lineOf(statement));
    return out;
}

Result<Take> Logbook::take(std::int64_t id) const {
    Statement statement(connection_, QStringLiteral("SELECT ") + QLatin1String(kLineColumns) +
                                         QStringLiteral(", b.patch, r.document FROM take t JOIN body b ON b.take = t.id"
                                                        " JOIN rig r ON r.id = b.rig WHERE t.id = ?"));
    statement << big(id);
    if (!statement.run()) return failed(file_, statement.error());
    if (!statement.next()) return noTake(id);
    Take out;
    static_cast<TakeLine&>(out) = lineOf(statement);
    auto patch = readPatch(statement.text(11));
    if (!patch) return tl::unexpected(Error{file_.string(), fmt::format("take {}", id), patch.error().reason});
    auto rig = readRig(statement.text(12));
    if (!rig) return tl::unexpected(Error{file_.string(), fmt::format("take {}", id), rig.error().reason});
    out.patch = std::move(*patch);
    out.rig = std::move(*rig);
    Statement figures(connection_, QStringLiteral("SELECT name, value FROM figure WHERE take = ?"));
    figures << big(id);
    if (!figures.run()) return failed(file_, figures.error());
    while (figures.next()) out.figures[figures.text(0)] = figures.value(1).toDouble();
    return out;
}

Result<std::string> Logbook::sound(std::int64_t id) const {
    Statement statement(connection_, QStringLiteral("SELECT flac FROM sound WHERE take = ?"));
    statement << big(id);
    if (!statement.run()) return failed(file_, statement.error());
    return statement.next() ? statement.value(0).toByteArray().toStdString() : std::string{};
}

Result<std::int64_t> Logbook::takeOf(const Patch& patch) const {
    Statement statement(connection_,
                        QStringLiteral("SELECT max(id) FROM take WHERE patch_hash = ? AND thrown_away IS NULL"));
    statement << hashOf(writePatch(patch));
    if (!statement.run()) return failed(file_, statement.error());
    return statement.next() ? statement.number(0) : 0;
}

Result<void> Logbook::addRound(const Round& round) {
    Statement statement(connection_, QStringLiteral("INSERT INTO round (at, preferred, other) VALUES (?, ?, ?)"));
    statement << big(round.at) << big(round.preferred) << big(round.other);
    if (!statement.run()) return failed(file_, statement.error());
    return {};
}

Result<std::vector<Round>> Logbook::rounds(std::int64_t a, std::int64_t b) const {
    Statement statement(connection_, QStringLiteral("SELECT at, preferred, other FROM round WHERE preferred IN (?, ?)"
                                                    " AND other IN (?, ?) ORDER BY id"));
    for (int i = 0; i < 2; ++i) statement << big(a) << big(b);
    if (!statement.run()) return failed(file_, statement.error());
    std::vector<Round> out;
    while (statement.next()) out.push_back({statement.number(0), statement.number(1), statement.number(2)});
    return out;
}

Result<std::int64_t> Logbook::thinOut(std::int64_t until, int rating) {
    Statement statement(connection_, QStringLiteral("DELETE FROM sound WHERE take IN"
                                                    " (SELECT id FROM take WHERE at < ? AND rating < ?)"));
    statement << big(until) << rating;
    if (!statement.run()) return failed(file_, statement.error());
    const std::int64_t went = statement.changed();
    if (went > 0)
        for (const char* text : {"VACUUM", "PRAGMA wal_checkpoint(TRUNCATE)"})
            if (Statement smaller(connection_, QString::fromLatin1(text)); !smaller.run())
                return failed(file_, smaller.error());
    return went;
}

Result<LogUsage> Logbook::usage() const {
    LogUsage out;
    Statement statement(connection_, QStringLiteral("SELECT (SELECT count(*) FROM take WHERE thrown_away IS NULL),"
                                                    " (SELECT count(*) FROM sound),"
                                                    " (SELECT coalesce(sum(length(flac)), 0) FROM sound)"));
    if (!statement.run()) return failed(file_, statement.error());
    if (statement.next()) {
        out.takes = statement.number(0);
        out.sounds = statement.number(1);
        out.soundBytes = statement.number(2);
    }
    for (const char* ending : {"", "-wal"}) out.bytes += QFileInfo(q(file_.string() + ending)).size();
    return out;
}

Result<void> Logbook::check() const {
    Statement statement(connection_, QStringLiteral("PRAGMA integrity_check"));
    if (!statement.run()) return failed(file_, statement.error());
    if (statement.next() && statement.text(0) != "ok")
        return tl::unexpected(Error{
            file_.string(), {}, say("the log is damaged ({}); move it away to begin a new one", statement.text(0))});
    return {};
}

Result<void> Logbook::setSound(std::int64_t id, const std::string& flac, const Figures& figures, const Thumb& thumb) {
    Transaction all(connection_);
    if (!all.isOpen()) return failed(file_, all.error());
    Statement line(connection_, QStringLiteral("UPDATE take SET thumb = ? WHERE id = ?"));
    line << bytesOf(thumb) << big(id);
    if (!line.run()) return failed(file_, line.error());
    if (line.changed() == 0) return noTake(id);
    for (const auto& [name, value] : figures) {
        Statement figure(connection_,
                         QStringLiteral("INSERT OR REPLACE INTO figure (take, name, value) VALUES (?, ?, ?)"));
        figure << big(id) << q(name) << value;
        if (!figure.run()) return failed(file_, figure.error());
    }
    Statement sound(connection_, QStringLiteral("INSERT OR REPLACE INTO sound (take, flac) VALUES (?, ?)"));
    sound << big(id) << QByteArray(flac.data(), static_cast<qsizetype>(flac.size()));
    if (!sound.run()) return failed(file_, sound.error());
    if (!all.commit()) return failed(file_, all.error());
    return {};
}

void Logbook::limitPages(int pages) {
    Statement(connection_, QStringLiteral("PRAGMA max_page_count = %1").arg(pages)).run();
}

fs::path ownLog() {
    return ownDataFolder() / "log.sqlite";
}

} // namespace lariat
