# frozen_string_literal: true

require "digest"
require "openssl"

module SteadyMove
  module Wire
    module Http
      # Signatures over messages of HTTP: RFC 9421 with hmac-sha256 (§3.3.3), and digests of
      # content: RFC 9530.
      module Signature
        LABEL = "steady"

        module_function

        # body: octets. Returns the value of Content-Digest (RFC 9530 §2).
        def digest(body) = "sha-256=:#{[Digest::SHA256.digest(body)].pack("m0")}:"

        # parts: {component => value} in order, as they are covered; created: Time; key_id: text.
        # Returns the signature's parameters (RFC 9421 §2.3).
        def parameters(parts, created:, key_id:)
          "(#{parts.keys.map { |k| "\"#{k}\"" }.join(" ")});created=#{created.to_i};keyid=\"" \
            "#{key_id}\""
        end

        # The octets that are signed (RFC 9421 §2.5).
        def base(parts, parameters)
          [*parts.map { |k, v| "\"#{k}\": #{v}" }, "\"@signature-params\": #{parameters}"].join(
            "\n"
          )
        end

        # secret: octets. Returns the signature in base64.
        def sign(secret, base) = [OpenSSL::HMAC.digest("SHA256", secret, base)].pack("m0")

        # The headers of a POST to a URL.
        def headers(url, body, secret:, created:, key_id:)
          digest = digest(body)
          parts = {
            "@method" => "POST",
            "@target-uri" => url,
            "content-digest" => digest,
            "content-type" => "application/json"
          }
          parameters = parameters(parts, created: created, key_id: key_id)
          {
            "Content-Type" => "application/json",
            "Content-Digest" => digest,
            "Signature-Input" => "#{LABEL}=#{parameters}",
            "Signature" => "#{LABEL}=:#{sign(secret, base(parts, parameters))}:"
          }
        end
      end
    end
  end
end
