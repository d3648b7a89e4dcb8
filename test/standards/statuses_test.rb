# frozen_string_literal: true

require_relative "../test_helper"

# Source: RFC 8056 §2, the table “EPP to RDAP status”; written here from memory of the RFC, checked
# for wholeness against the statuses of RFC 5731 §2.3 and RFC 3915 §3.1.
class StatusesTest < Minitest::Test
  Statuses = Core::Names::Statuses
  TABLE = <<~ROWS.lines.to_h { |l| l.strip.split(/\s*=\s*/) }
    addPeriod = add period
    autoRenewPeriod = auto renew period
    clientDeleteProhibited = client delete prohibited
    clientHold = client hold
    clientRenewProhibited = client renew prohibited
    clientTransferProhibited = client transfer prohibited
    clientUpdateProhibited = client update prohibited
    inactive = inactive
    linked = associated
    ok = active
    pendingCreate = pending create
    pendingDelete = pending delete
    pendingRenew = pending renew
    pendingRestore = pending restore
    pendingTransfer = pending transfer
    pendingUpdate = pending update
    redemptionPeriod = redemption period
    renewPeriod = renew period
    serverDeleteProhibited = server delete prohibited
    serverRenewProhibited = server renew prohibited
    serverTransferProhibited = server transfer prohibited
    serverUpdateProhibited = server update prohibited
    serverHold = server hold
    transferPeriod = transfer period
  ROWS

  def test_the_whole_table_both_ways
    assert_equal TABLE, Statuses::EPP_TO_RDAP
    TABLE.each do |epp, rdap|
      assert_equal rdap, Statuses.to_rdap(epp)
      assert_equal epp, Statuses.to_epp(rdap)
      assert_equal epp, Statuses.to_epp(rdap.upcase)
    end
  end

  # Source: the IETF's schema of RFC 5731, read from a package.
  def test_every_status_of_the_domain_schema_is_there
    require_relative "../support/published"
    xsd = Nokogiri.XML(File.read(File.join(Published::FOLDER, "domain-1.0.xsd")))
    names =
      xsd.xpath("//*[@name='statusValueType']//*[local-name()='enumeration']/@value").map(&:value)
    assert_operator names.size, :>=, 17
    assert_empty names - TABLE.keys
  end
end
