using System.Net;
using Microsoft.AspNetCore.HttpOverrides;

namespace Yardang.Web.Access;

/// <summary>
/// What a reverse proxy says of the visitor is believed only of proxies that are configured: <c>Yardang:Proxies</c>, addresses or networks such as
/// <c>10.0.0.0/8</c>, with commas between. Then addresses, scheme and host are the visitor's, cookies are secure and browsers keep to HTTPS.
/// </summary>
public static class BehindProxy
{
    private static readonly TimeSpan s_keepToHttps = TimeSpan.FromDays(180);

    /// <summary>Reads the setting.</summary>
    /// <exception cref="FormatException">Something in it is no address.</exception>
    public static void AddProxies(this IServiceCollection services, IConfiguration configuration)
    {
        services.AddHsts(options => options.MaxAge = s_keepToHttps);
        services.Configure<ForwardedHeadersOptions>(options =>
        {
            options.KnownProxies.Clear();
            options.KnownIPNetworks.Clear();
            foreach (var proxy in (configuration["Yardang:Proxies"] ?? "").Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
            {
                if (IPAddress.TryParse(proxy, out var address)) options.KnownProxies.Add(address);
                else options.KnownIPNetworks.Add(System.Net.IPNetwork.Parse(proxy));
            }

            // Without any, nobody's word counts.
            if (options.KnownProxies.Count + options.KnownIPNetworks.Count > 0) options.ForwardedHeaders = ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto | ForwardedHeaders.XForwardedHost;
        });
    }
}
