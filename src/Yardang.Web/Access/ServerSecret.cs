using System.Security.Cryptography;

namespace Yardang.Web.Access;

/// <summary>A secret of this server, in a file of its own that only its user can read. Made when it is first asked for.</summary>
public static class ServerSecret
{
    /// <summary>The secret in a file, 32 bytes.</summary>
    public static byte[] In(string file)
    {
        if (!File.Exists(file))
        {
            File.WriteAllBytes(file, RandomNumberGenerator.GetBytes(32));
            if (!OperatingSystem.IsWindows()) File.SetUnixFileMode(file, UnixFileMode.UserRead | UnixFileMode.UserWrite);
        }

        return File.ReadAllBytes(file);
    }
}
