using System.IO.Compression;
using System.Security.Cryptography;
using System.Text.Json;
using Yardang.Data.Backups;
using Yardang.Data.Log;

namespace Yardang.Web.Operating;

/// <summary>Puts a backup into a folder that is not there yet or empty: everything in it, seen to be whole, or nothing.</summary>
public static class Restoring
{
    private const int MaxFiles = 5_000_000;
    private const int MaxManifestBytes = 1_000_000_000;

    /// <summary>Restores.</summary>
    /// <param name="file">The backup.</param>
    /// <param name="folder">Where to.</param>
    /// <param name="stop">To give up.</param>
    public static async Task<Outcome> RestoreAsync(string file, string folder, CancellationToken stop = default)
    {
        folder = Path.TrimEndingDirectorySeparator(Path.GetFullPath(folder));
        if (!File.Exists(file)) return Outcome.Refused($"There is no file {file}.");
        if (File.Exists(folder) || (Directory.Exists(folder) && Directory.EnumerateFileSystemEntries(folder).Any()))
        {
            return Outcome.Refused($"{folder} is not empty. Stop the server, move that folder out of the way (keep it until all is well), then restore again.");
        }

        // Beside it, so that it is there at once or not at all.
        var part = $"{folder}.restoring";
        if (Path.Exists(part)) return Outcome.Refused($"{part} is left from another restore; remove it first.");
        try
        {
            await using var zip = await ZipFile.OpenReadAsync(file, stop);
            if (await ReadManifestAsync(zip, stop) is not { } manifest) return Outcome.Refused($"{file} is no backup of Yardang.");
            if (manifest.Format > BackupManifest.Newest || !SchoolForm.Knows(manifest.Form)) return Outcome.Refused($"{file} was made by a newer version ({manifest.Program}); this is {ProgramVersion.Text}. Install that version, or a newer one.");
            if (Room(folder) < manifest.Files.Sum(f => f.Bytes)) return Outcome.Refused($"There is not room enough on the disk for {folder}: {manifest.Files.Sum(f => f.Bytes) / 1_000_000} MB are needed.");
            Directory.CreateDirectory(part);
            foreach (var kept in manifest.Files)
            {
                if (zip.GetEntry(kept.Name) is not { } entry || !await TakeOutAsync(entry, kept, Path.Combine(part, kept.Name), stop)) return Outcome.Refused($"{file} is damaged: {kept.Name} is not as it was. Nothing was restored.");
            }

            var restored = DataFolder.At(part);
            foreach (var database in new[] { restored.SchoolFile, restored.LogFile })
            {
                if (!OneMoment.IsWhole(database)) return Outcome.Refused($"{file} is damaged: {Path.GetFileName(database)} cannot be read. Nothing was restored.");
            }

            LogIdentity.Renew(restored.LogFile);
            if (Directory.Exists(folder)) Directory.Delete(folder);
            Directory.Move(part, folder);
            return Outcome.Done($"{folder} holds all as it was on {manifest.Taken:yyyy-MM-dd} at {manifest.Taken:HH:mm:ss} UTC: {manifest.Files.Count} files. Whoever was erased since is there again: erase them again (docs/privacy.md).");
        }
        catch (InvalidDataException)
        {
            return Outcome.Refused($"{file} is no backup of Yardang, or is damaged.");
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            return Outcome.Refused($"Nothing was restored: {e.Message}");
        }
        finally
        {
            if (Directory.Exists(part)) Directory.Delete(part, recursive: true);
        }
    }

    private static async Task<BackupManifest?> ReadManifestAsync(ZipArchive zip, CancellationToken stop)
    {
        if (zip.GetEntry(BackupManifest.Entry) is not { Length: < MaxManifestBytes } entry || zip.Entries.Count > MaxFiles) return null;
        try
        {
            await using var stream = await entry.OpenAsync(stop);
            var manifest = await JsonSerializer.DeserializeAsync<BackupManifest>(stream, BackupManifest.Json, stop);
            var isOne = manifest is { Files: { } files, Form: not null, Program: not null } && files.All(f => f is { Name: { } name, Bytes: >= 0, Sha256: not null } && BackupNames.IsOne(name))
                && files.Select(f => f.Name).Distinct(StringComparer.Ordinal).Count() == files.Count
                && files.Any(f => string.Equals(f.Name, "school.db", StringComparison.Ordinal)) && files.Any(f => string.Equals(f.Name, "log.db", StringComparison.Ordinal));
            return isOne ? manifest : null;
        }
        catch (JsonException)
        {
            return null;
        }
    }

    // No more than it says of itself, however much is packed in it.
    private static async Task<bool> TakeOutAsync(ZipArchiveEntry entry, BackedUpFile kept, string to, CancellationToken stop)
    {
        Directory.CreateDirectory(Path.GetDirectoryName(to)!);
        await using var from = await entry.OpenAsync(stop);
        await using var file = File.Create(to);
        using var sum = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
        var buffer = new byte[128 * 1024];
        long bytes = 0;
        for (int read; (read = await from.ReadAsync(buffer, stop)) > 0;)
        {
            bytes += read;
            if (bytes > kept.Bytes) return false;
            sum.AppendData(buffer, 0, read);
            await file.WriteAsync(buffer.AsMemory(0, read), stop);
        }

        return bytes == kept.Bytes && string.Equals(Convert.ToHexStringLower(sum.GetHashAndReset()), kept.Sha256, StringComparison.Ordinal);
    }

    private static long Room(string folder)
    {
        var there = folder;
        while (!Directory.Exists(there)) there = Path.GetDirectoryName(there)!;
        return new DriveInfo(there).AvailableFreeSpace;
    }
}
