using System.Collections.Immutable;

namespace Yardang.Web.Access;

/// <summary>The sites whose pages may be shown inside ours where somebody wishes it, named by the school (<c>Yardang:Links:Frames</c>); none otherwise. Over https alone.</summary>
/// <param name="Hosts">Their names, as in addresses, perhaps with a port.</param>
public sealed record FramedSites(ImmutableArray<string> Hosts)
{
    private const int Most = 20;

    /// <summary>As the school has set it.</summary>
    /// <exception cref="FormatException">One is no name of a server.</exception>
    public static FramedSites Of(IConfiguration settings)
    {
        var named = settings.GetSection("Yardang:Links:Frames").Get<string[]>() ?? [];
        if (named.Length > Most) throw new FormatException($"Yardang:Links:Frames names {named.Length} sites; at most {Most} can be allowed.");
        return new([.. named.Select(name => Uri.TryCreate($"https://{name}", UriKind.Absolute, out var site) && site.Authority.Equals(name, StringComparison.OrdinalIgnoreCase) && site.HostNameType == UriHostNameType.Dns
            ? site.Authority
            : throw new FormatException($"Yardang:Links:Frames: \"{name}\" is no name of a server, such as films.ostlebrook.example."))]);
    }

    /// <summary>As a policy for content names them.</summary>
    public string AsSources() => string.Concat(Hosts.Select(host => $" https://{host}"));
}
