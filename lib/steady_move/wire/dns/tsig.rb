# frozen_string_literal: true

require "openssl"

module SteadyMove
  module Wire
    module Dns
      # Transaction signatures with every algorithm that RFC 8945 §6 lists and that is safe: dnsruby
      # knows half of them.
      module Tsig
        ALGORITHMS = %w[hmac-sha1 hmac-sha224 hmac-sha256 hmac-sha384 hmac-sha512].freeze
        USUAL = "hmac-sha256"

        # What dnsruby's own lacks.
        module Algorithms
          # alg: a name of ALGORITHMS, as text or as dnsruby's Name.
          def algorithm=(alg)
            plain = alg.to_s.downcase.chomp(".")
            ALGORITHMS.include?(plain) ? @algorithm = Dnsruby::Name.create("#{plain}.") : super
          end

          # Octets → their keyed digest.
          def calculate_mac(algorithm, data)
            plain = algorithm.to_s.downcase.chomp(".")
            return super unless ALGORITHMS.include?(plain)

            OpenSSL::HMAC.digest(plain.delete_prefix("hmac-"), @key.delete(" ").unpack1("m"), data)
          end
        end
        Dnsruby::RR::TSIG.prepend(Algorithms)

        module_function

        # key: {name:, secret: (base64), algorithm:}; what signs a message.
        def signer(key)
          algorithm = key[:algorithm] || USUAL
          unless ALGORITHMS.include?(algorithm)
            raise ArgumentError,
                  "“#{algorithm}” is no algorithm of TSIG; #{ALGORITHMS.join(", ")} are"
          end

          Dnsruby::RR.create(
            name: key.fetch(:name),
            type: "TSIG",
            ttl: 0,
            klass: "ANY",
            algorithm: Dnsruby::Name.create("#{algorithm}."),
            key: key.fetch(:secret),
            fudge: 300
          )
        end
      end
    end
  end
end
