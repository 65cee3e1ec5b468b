namespace Yardang.Web.Operating;

/// <summary>How much room there is.</summary>
public static class Disk
{
    /// <summary>Bytes that may still be written where a folder is.</summary>
    public static long FreeAt(string folder) => new DriveInfo(folder).AvailableFreeSpace;
}
