# frozen_string_literal: true

require "openssl"

module Practice
  # A self-signed certificate for loopback, made once and kept beside the world's database.
  module Certificate
    module_function

    # Returns [certificate, key]; writes cert.pem for those who are to trust it.
    def at(folder)
      cert_file = File.join(folder, "cert.pem")
      key_file = File.join(folder, "cert-key.pem")
      make(cert_file, key_file) unless File.exist?(cert_file) && File.exist?(key_file)
      [
        OpenSSL::X509::Certificate.new(File.read(cert_file)),
        OpenSSL::PKey.read(File.read(key_file))
      ]
    end

    def make(cert_file, key_file)
      key = OpenSSL::PKey::EC.generate("prime256v1")
      cert = OpenSSL::X509::Certificate.new
      cert.version = 2
      cert.serial = 1
      cert.subject = cert.issuer = OpenSSL::X509::Name.parse("/CN=practice world")
      cert.public_key = key
      cert.not_before = Time.now - 86_400
      cert.not_after = Time.now + (10 * 365 * 86_400)
      extend_certificate(cert)
      cert.sign(key, OpenSSL::Digest.new("SHA256"))
      File.write(key_file, key.to_pem, perm: 0o600)
      File.write(cert_file, cert.to_pem)
    end

    def extend_certificate(cert)
      factory = OpenSSL::X509::ExtensionFactory.new(cert, cert)
      cert.add_extension(factory.create_extension("basicConstraints", "CA:TRUE", true))
      cert.add_extension(factory.create_extension("subjectAltName", "DNS:localhost,IP:127.0.0.1"))
    end
    private_class_method :make, :extend_certificate
  end
end
