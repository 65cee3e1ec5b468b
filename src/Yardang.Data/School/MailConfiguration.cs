using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Yardang.Data.School;

internal sealed class MailConfiguration : IEntityTypeConfiguration<MailRecord>
{
    public void Configure(EntityTypeBuilder<MailRecord> builder)
    {
        builder.ToTable("Outbox");
        builder.HasIndex(m => m.At);
    }
}
