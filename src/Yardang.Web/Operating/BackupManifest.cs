using System.Text.Json;

namespace Yardang.Web.Operating;

/// <summary>What a backup says of itself: the entry <c>backup.json</c> of the zip file.</summary>
/// <param name="Format">Of backups; <see cref="Newest"/> is what this program writes.</param>
/// <param name="Program">The version of the program that made it.</param>
/// <param name="Taken">The moment at which everything was as it is in there.</param>
/// <param name="Form">The last change of form (migration) that the school's file had seen.</param>
/// <param name="Files">All that is in it.</param>
public sealed record BackupManifest(int Format, string Program, DateTimeOffset Taken, string Form, IReadOnlyList<BackedUpFile> Files)
{
    /// <summary>The newest format.</summary>
    public const int Newest = 1;

    /// <summary>The name of its entry.</summary>
    public const string Entry = "backup.json";

    /// <summary>How it is written.</summary>
    public static JsonSerializerOptions Json { get; } = new(JsonSerializerDefaults.Web) { WriteIndented = true };
}

/// <summary>A file of a backup.</summary>
/// <param name="Name">Below the data folder, with slashes.</param>
/// <param name="Bytes">Its length.</param>
/// <param name="Sha256">Of its bytes, 64 hexadecimal digits.</param>
public sealed record BackedUpFile(string Name, long Bytes, string Sha256);
