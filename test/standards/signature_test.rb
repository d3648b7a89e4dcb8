# frozen_string_literal: true

require_relative "../test_helper"

# Signatures over HTTP messages against RFC 9421's own example: appendix B.2.5 (hmac-sha256, the key
# of B.1.5); its values from memory.
class SignatureTest < Minitest::Test
  S = SteadyMove::Wire::Http::Signature
  KEY =
    "uzvJfB4u3N0Jy4T7NZ75MDVcr8zSTInedJtkgcu46YW4XByzNJjxBdtjUkdJPBtbmHhIDi6pcl8jsasjlTMtDQ==".unpack1(
      "m0"
    )
  PARTS = {
    "date" => "Tue, 20 Apr 2021 02:07:55 GMT",
    "@authority" => "example.com",
    "content-type" => "application/json"
  }.freeze

  def test_the_example_of_the_standard
    parameters = S.parameters(PARTS, created: Time.at(1_618_884_473), key_id: "test-shared-secret")
    assert_equal '("date" "@authority" ' \
                   '"content-type");created=1618884473;keyid="test-shared-secret"',
                 parameters
    assert_equal "pxcQw6G3AjtMBQjwo8XzkZf/bws5LelbaMk5rGIGtE8=",
                 S.sign(KEY, S.base(PARTS, parameters))
  end

  # RFC 9530 appendix B: the content {"hello": "world"} and a line feed; its digest from memory.
  def test_the_digest_of_the_standard
    assert_equal "sha-256=:RK/0qy18MlBSVnWgjwz6lZEWjP/lF5HF9bvEF8FabDg=:",
                 S.digest("{\"hello\": \"world\"}\n")
  end
end
