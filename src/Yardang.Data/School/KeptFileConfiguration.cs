using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Yardang.Data.School;

internal sealed class KeptFileConfiguration : IEntityTypeConfiguration<KeptFileRecord>
{
    public void Configure(EntityTypeBuilder<KeptFileRecord> builder)
    {
        builder.ToTable("KeptFiles");
        builder.HasKey(f => new { f.RoomId, f.Name });
        builder.HasIndex(f => f.Name);
    }
}
