using System.IO.Compression;
using System.Security.Cryptography;
using System.Text.Json;
using Microsoft.Data.Sqlite;
using Yardang.Data.Backups;

namespace Yardang.Web.Operating;

/// <summary>
/// One file with all that a school has, as it was at one moment, made while the server runs. First the two databases as at that moment; then what they
/// mention: files lie in the media store before an event mentions them, and under the sum of their bytes, so that none changes. What is deleted while the
/// copy is made is not in it.
/// </summary>
public static class Backup
{
    /// <summary>Makes one.</summary>
    /// <param name="folder">Whose.</param>
    /// <param name="file">Where to, a name that nothing has yet.</param>
    /// <param name="clock">What time it is.</param>
    /// <param name="stop">To give up.</param>
    public static async Task<Outcome> MakeAsync(DataFolder folder, string file, TimeProvider clock, CancellationToken stop = default)
    {
        if (!File.Exists(folder.SchoolFile) || !File.Exists(folder.LogFile)) return Outcome.Refused($"There is no data of Yardang in {folder.Path}.");
        if (Path.Exists(file)) return Outcome.Refused($"{file} is there already; nothing was written.");
        var part = $"{Path.GetFullPath(file)}.part";
        var copies = $"{part}.copies";
        try
        {
            Directory.CreateDirectory(copies);
            var (school, log) = (Path.Combine(copies, Path.GetFileName(folder.SchoolFile)), Path.Combine(copies, Path.GetFileName(folder.LogFile)));
            OneMoment.Copy([(folder.SchoolFile, school), (folder.LogFile, log)]);
            var taken = clock.GetUtcNow();
            foreach (var copy in new[] { school, log })
            {
                if (!OneMoment.IsWhole(copy)) return Outcome.Refused($"The database {Path.GetFileName(copy)} is damaged; no backup was made of it.");
            }

            List<BackedUpFile> files = [];
            await using (var zip = await ZipFile.OpenAsync(part, ZipArchiveMode.Create, stop))
            {
                foreach (var copy in new[] { school, log }) files.Add((await AddAsync(zip, copies, copy, CompressionLevel.Fastest, stop))!);
                foreach (var kept in Kept(folder))
                {
                    if (await AddAsync(zip, folder.Path, kept, CompressionLevel.NoCompression, stop) is { } added) files.Add(added);
                }

                await using var manifest = await zip.CreateEntry(BackupManifest.Entry).OpenAsync(stop);
                await JsonSerializer.SerializeAsync(manifest, new BackupManifest(BackupManifest.Newest, ProgramVersion.Text, taken, SchoolForm.LastOf(school), files), BackupManifest.Json, stop);
            }

            File.Move(part, file);
            return Outcome.Done($"{file} holds all as it was on {taken:yyyy-MM-dd} at {taken:HH:mm:ss} UTC: {files.Count} files, {new FileInfo(file).Length / 1_000_000.0:0.0} MB. It holds names and work of students, and the keys of the server: keep it where only those may read who may read the server.");
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException or SqliteException)
        {
            return Outcome.Refused($"No backup was made: {e.Message}");
        }
        finally
        {
            File.Delete(part);
            if (Directory.Exists(copies)) Directory.Delete(copies, recursive: true);
        }
    }

    // Not: files that came in part, which browsers begin to send anew, and smaller versions of pictures, which are made anew.
    private static IEnumerable<string> Kept(DataFolder folder)
    {
        foreach (var place in new[] { folder.Keys, folder.Archives, folder.Media })
        {
            if (!Directory.Exists(place)) continue;
            foreach (var file in Directory.EnumerateFiles(place, "*", SearchOption.AllDirectories)) yield return file;
        }

        foreach (var secret in new[] { folder.ReentrySecret, folder.VeilSecret }) yield return secret;
    }

    // Null for what is no file of a backup, or is gone.
    private static async Task<BackedUpFile?> AddAsync(ZipArchive zip, string root, string file, CompressionLevel level, CancellationToken stop)
    {
        var name = Path.GetRelativePath(root, file).Replace(Path.DirectorySeparatorChar, '/');
        if (!BackupNames.IsOne(name)) return null;
        try
        {
            await using var from = new FileStream(file, FileMode.Open, FileAccess.Read, FileShare.ReadWrite | FileShare.Delete);
            using var sum = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
            await using var to = await zip.CreateEntry(name, level).OpenAsync(stop);
            var buffer = new byte[128 * 1024];
            long bytes = 0;
            for (int read; (read = await from.ReadAsync(buffer, stop)) > 0; bytes += read)
            {
                sum.AppendData(buffer, 0, read);
                await to.WriteAsync(buffer.AsMemory(0, read), stop);
            }

            return new(name, bytes, Convert.ToHexStringLower(sum.GetHashAndReset()));
        }
        catch (Exception e) when (e is FileNotFoundException or DirectoryNotFoundException)
        {
            return null;
        }
    }
}
